import { replaceValue } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { planEdits, relativeReference } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';
import { soughtReferences } from './references.ts';

/** `//host/file` takes the scheme of the page, which from disk is `file:`. */
const BARE = /^\/\/(?!\/)/;
/** `www.host/file` is read as a file of the site. */
const HOST = /^(?:www\.[\w-]+|[\w-]+(?:\.[\w-]+)*\.(?:com|org|net|example|info|io))(?=[/:?#]|$)/i;

/** Two slashes and no scheme, or a host's name as if it were a file; null for all else. */
function kindOf(written: string, site: SiteReading): 'bare' | 'host' | null {
  if (BARE.test(written)) return 'bare';
  if (!HOST.test(written)) return null;
  const first = written.split(/[/?#]/)[0] ?? '';
  const isOwn = site.files.has(first) || [...site.files.keys()].some((path) => path.startsWith(`${first}/`));
  return isOwn ? null : 'host';
}

function meantBy(written: string, kind: 'bare' | 'host', page: string, site: SiteReading): string {
  if (kind === 'host') return `https://${written}`;
  // Two slashes too many before a file of the site itself.
  const own = written.replace(/^\/+|[?#].*$/gs, '');
  return site.files.has(own) ? relativeReference(page, own) : `https:${written}`;
}

export const schemeMissing: Rule = {
  id: 'scheme-missing',
  station: 'wiring',
  title: 'External URLs have a scheme',
  find: (site) =>
    site.pages.flatMap((page) =>
      soughtReferences(page).flatMap(({ attribute, loads, element }): Observation[] => {
        const written = attribute.value.trim();
        const kind = kindOf(written, site);
        if (kind === null) return [];
        const meant = meantBy(written, kind, page.path, site);
        return [
          {
            matter: `${page.path}:${written}`,
            station: loads ? 'wiring' : 'markup',
            severity: loads || kind === 'host' ? 'error' : 'warning',
            says: `${written} has no scheme.`,
            why:
              kind === 'bare'
                ? `Opened from disk, the browser looks for file:${written} and finds nothing.`
                : `The browser takes it for a file of this site and gets an error${element.tag === 'a' ? '; a click ends on an error page' : ''}.`,
            place: placeIn(page, attribute.range),
            strand: null,
            joint: null,
            fixes: [
              {
                kind: 'change',
                label: `Write ${meant.length > 60 ? 'https: before it' : meant}`,
                plan: () =>
                  planEdits(`Write ${meant} on ${page.path}`, page.path, {
                    ok: true,
                    edits: [replaceValue(attribute, meant)],
                  }),
              },
            ],
          },
        ];
      }),
    ),
};
