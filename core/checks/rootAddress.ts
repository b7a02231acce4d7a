import { replaceValue } from '../markup/index.ts';
import { decodedPath, planEdits, relativeReference, resolveInSite } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';
import { soughtReferences } from './references.ts';

export const rootAddress: Rule = {
  id: 'root-address',
  station: 'wiring',
  title: 'No address begins at the root of a host or of a disk',
  find: (site) =>
    site.pages.flatMap((page) =>
      soughtReferences(page).flatMap(({ attribute, loads }): Observation[] => {
        const written = attribute.value.trim();
        const place = rooted(written, page.path);
        if (place === null) return [];
        const path = inSite(place.path, site.files.keys());
        // A root on a host may be meant; one on somebody's disk never is.
        if (place.on === 'host' && path === null) return [];
        return [
          {
            matter: `${page.path}:${written}`,
            station: loads ? 'wiring' : 'markup',
            severity: place.on === 'disk' ? 'error' : 'warning',
            says:
              place.on === 'disk'
                ? `${written} is a place on one computer.`
                : `${written} begins at the root of the host.`,
            why:
              place.on === 'disk'
                ? 'On any other computer, and on every host, there is nothing at this address.'
                : 'Opened from disk, the browser looks at the root of the disk; in a folder of a host, beside the site.',
            place: placeIn(page, attribute.range),
            strand: null,
            joint: null,
            fixes:
              path === null
                ? []
                : [
                    {
                      kind: 'change',
                      label: `Write ${relativeReference(page.base, path)}`,
                      plan: () =>
                        planEdits(`Lead ${written} to ${path} on ${page.path}`, page.path, {
                          ok: true,
                          edits: [replaceValue(attribute, relativeReference(page.base, path))],
                        }),
                    },
                  ],
          },
        ];
      }),
    ),
};

function rooted(written: string, from: string): { on: 'host' | 'disk'; path: string } | null {
  const disk = /^file:\/*|^[a-z]:[\\/]/i.exec(written);
  if (disk) return { on: 'disk', path: decodedPath(written.slice(disk[0].length)).replaceAll('\\', '/') };
  const target = resolveInSite(written, from);
  return target.kind === 'root' ? { on: 'host', path: target.path } : null;
}

/** The file of the site at the end of a longer path: `Users/a/site/js/x.js` is `js/x.js`. */
function inSite(path: string, paths: Iterable<string>): string | null {
  const clean = path.replace(/[?#].*$/s, '');
  const fitting = [...paths].filter((one) => clean === one || clean.endsWith(`/${one}`));
  return fitting.sort((a, b) => b.length - a.length)[0] ?? null;
}
