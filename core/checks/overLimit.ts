import { wholeWeight } from '../weight/index.ts';
import { countOf, inBytes } from '../site/index.ts';
import { placeIn, type Rule } from './finding.ts';

export const overLimit: Rule = {
  id: 'over-limit',
  station: 'proof',
  title: 'No page loads more bytes than its limit',
  find: (site) => {
    const { limit } = site.notes.known;
    if (limit === null) return [];
    return site.pages.flatMap((page) => {
      const { bytes, files } = wholeWeight(site, page.path);
      if (bytes <= limit) return [];
      return [
        {
          matter: page.path,
          severity: 'warning',
          says: `${page.path} loads ${inBytes(bytes)} in ${countOf(files, 'file')}; your limit is ${inBytes(limit)}.`,
          why: 'That is all it loads by itself down to its end. What would save most is listed under Page weight.',
          place: placeIn(page, null),
          strand: null,
          joint: null,
          fixes: [],
        },
      ];
    });
  },
};
