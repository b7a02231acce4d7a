import { STATES } from '../markup/index.ts';
import { copiedFiles, includeEdits } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';
import type { Planned } from '../site/index.ts';

export const kitIncomplete: Rule = {
  id: 'kit-incomplete',
  station: 'wiring',
  title: 'All files of a viewer that a page uses are loaded',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { kit } = use;
        const absent = use.files
          .filter(({ file, includes }) => file.role !== 'other' && includes.length === 0)
          .map(({ file }) => file);
        const [first] = absent;
        if (!first) return [];
        const scripts = absent.filter(({ role }) => role === 'script');
        const plan = (): Planned => {
          const written = includeEdits(site, page, kit);
          if (!written.ok) return written;
          const label = `Load the whole ${kit.manifest.name} on ${page.path}`;
          const planned = planPage(page, label, written.edits, written.edits.length);
          return planned.ok
            ? { ok: true, change: { label, files: [...copiedFiles(site, kit), ...planned.change.files] } }
            : planned;
        };
        const names = absent.map(({ name }) => name).join(', ');
        const marked =
          use.marked[0]?.open ??
          use.starts[0]?.include.element.range ??
          use.files.find(({ includes }) => includes.length > 0)?.includes[0]?.element.range ??
          null;
        return [
          {
            matter: `${page.path}:${kit.manifest.name}`,
            severity: scripts.length > 0 ? 'error' : 'warning',
            says: `The page uses the ${kit.manifest.name} and does not load ${names}.`,
            why:
              scripts.length > 0
                ? 'Without it nothing answers a click; the links open their pictures by themselves.'
                : 'The viewer works and looks like nothing: its parts stand one below the other.',
            place: placeIn(page, marked),
            strand: null,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                states: STATES.includes,
                label: absent.length === 1 ? `Load ${first.name}` : `Load these ${absent.length} files`,
                plan,
              },
            ],
          },
        ];
      }),
    ),
};
