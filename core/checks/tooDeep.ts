import { DEEPEST, isStylePath, LineIndex, tooDeepAt } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';

const WHY =
  'It is shown and can be typed in, but what lies deeper is not read, and nothing of it is changed by itself.';

export const tooDeep: Rule = {
  id: 'too-deep',
  station: 'markup',
  title: 'Nothing lies too deep in one another to be read',
  find: (site) => [
    ...site.pages.flatMap((page): Observation[] => {
      const { tooDeep: range } = page.document;
      if (!range) return [];
      return [
        {
          matter: page.path,
          severity: 'error',
          says: `Elements lie more than ${DEEPEST} deep in one another here.`,
          why: WHY,
          place: placeIn(page, range),
          strand: null,
          joint: null,
          fixes: [],
        },
      ];
    }),
    ...[...site.files].flatMap(([path, content]): Observation[] => {
      const at = content.kind === 'text' && isStylePath(path) ? tooDeepAt(content.text) : null;
      if (at === null || content.kind !== 'text') return [];
      return [
        {
          matter: path,
          severity: 'error',
          says: `Blocks lie more than ${DEEPEST} deep in one another in ${path}, so it is not read.`,
          why: WHY,
          place: { path, line: new LineIndex(content.text).lineAt(at), start: at, end: at + 1 },
          strand: null,
          joint: null,
          fixes: [],
        },
      ];
    }),
  ],
};
