import { replaceValue } from '../markup/index.ts';
import { planEdits, relativeReference } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';
import { soughtReferences } from './references.ts';

/** `//host/file` takes the scheme of the page, which from disk is `file:`. */
const BARE = /^\/\/(?!\/)/;
/** `www.host/file` is read as a file of the site. */
const HOST = /^(?:www\.[\w-]+|[\w-]+(?:\.[\w-]+)*\.(?:com|org|net|example|info|io))(?=[/:?#]|$)/i;

export const schemeMissing: Rule = {
  id: 'scheme-missing',
  station: 'wiring',
  title: 'Outside addresses say their scheme',
  find: (site) =>
    site.pages.flatMap((page) =>
      soughtReferences(page).flatMap(({ attribute, loads, element }): Observation[] => {
        const written = attribute.value.trim();
        const bare = BARE.test(written);
        const first = written.split(/[/?#]/)[0] ?? '';
        const host =
          !bare &&
          HOST.test(written) &&
          !site.files.has(first) &&
          ![...site.files.keys()].some((path) => path.startsWith(`${first}/`));
        if (!bare && !host) return [];
        // Two slashes too many before a file of the site itself.
        const own = bare ? written.replace(/^\/+|[?#].*$/gs, '') : '';
        const outside = bare ? `https:${written}` : `https://${written}`;
        const whole = site.files.has(own) ? relativeReference(page.path, own) : outside;
        return [
          {
            matter: `${page.path}:${written}`,
            station: loads ? 'wiring' : 'markup',
            severity: loads || host ? 'error' : 'warning',
            says: `${written} has no scheme.`,
            why: bare
              ? `Opened from disk, the browser looks for file:${written} and finds nothing.`
              : `The browser takes it for a file of this site and asks for it in vain${element.tag === 'a' ? '; a click ends on an error page' : ''}.`,
            place: placeIn(page, attribute.range),
            strand: null,
            joint: null,
            fixes: [
              {
                kind: 'change',
                label: `Write ${whole.length > 60 ? 'https: before it' : whole}`,
                plan: () =>
                  planEdits(`Write ${whole} on ${page.path}`, page.path, {
                    ok: true,
                    edits: [replaceValue(attribute, whole)],
                  }),
              },
            ],
          },
        ];
      }),
    ),
};
