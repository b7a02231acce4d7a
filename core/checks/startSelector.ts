import { matches, type PageDocument, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { answersLinks, startWritten, withoutInvisible, type KitUse, type StartingScript } from '../wiring/index.ts';
import { editScript, inScript } from './editScript.ts';
import { type Observation, type Fix, type Rule } from './finding.ts';

export const startSelector: Rule = {
  id: 'start-selector',
  station: 'wiring',
  title: 'The selector of a start call finds links',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) =>
        answersLinks(use.kit.manifest) ? use.starts.flatMap((start) => findingOf(site, page, use, start)) : [],
      ),
    ),
};

function findingOf(site: SiteReading, page: PageReading, use: KitUse, start: StartingScript): Observation[] {
  const { call, include, matched, trouble } = start;
  const links = matched.filter(({ tag }) => tag === 'a');
  const asked = start.asked;
  const at = asked?.at ?? null;
  if (asked === null || at === null || links.length > 0 || start.lost || start.refused !== null) return [];
  const place = inScript(page, include, at);
  const meant =
    start.items === null
      ? candidate(page.document, asked.text)
      : holderCandidate(page.document, asked.text, start.items);
  const fixes: Fix[] =
    meant === null
      ? []
      : [
          {
            kind: 'change',
            states: STATES.code,
            label: `Correct to ${meant}`,
            plan: () =>
              editScript(
                page,
                include,
                [{ start: at.start + 1, end: at.end - 1, text: meant }],
                `Correct the selector of ${call.name} on ${page.path}`,
                site,
              ),
          },
        ];
  const [first] = matched;
  const found = first ? `finds ${matched.length} <${first.tag}> and no link` : 'finds nothing on this page';
  const says = trouble === null ? found : 'asks for something that is no selector';
  return [
    {
      matter: `${page.path}:${asked.text}`,
      severity: 'error',
      says: `${writtenWith(use, asked.text)} ${says}.`,
      why:
        trouble === null
          ? whyNoLink(use, matched.length, asked.text)
          : 'The browser stops the script there with a syntax error.',
      place,
      strand: null,
      joint: 'viewer',
      fixes,
    },
  ];
}

/** The call as it stands there, as far as it chooses links. */
function writtenWith({ kit: { manifest } }: KitUse, selector: string): string {
  const { start } = manifest;
  const quoted = `'${selector}'`;
  if (!start) return quoted;
  if (start.way === 'collection') return startWritten(start, '', quoted);
  return startWritten(start, start.key === undefined ? quoted : `{ ${start.key}: ${quoted} }`);
}

/** What holds such links, where one small change of the selector finds it. */
function holderCandidate(document: PageDocument, selector: string, items: string): string | null {
  const bare = selector.trim().replace(/^[.#]+/, '');
  const holds = (one: string) => {
    const found = matches(document, `:is(${one}) ${items}`);
    return found.ok && found.elements.some(({ tag }) => tag === 'a');
  };
  return [`.${bare}`, `#${bare}`, bare].find((one) => one !== selector.trim() && holds(one)) ?? null;
}

const wordAlone = (selector: string): boolean => /^[\w-]+$/.test(selector.trim());

/**
 * The selector that was meant, where one small change finds links: a dot or hash put in, a dot too many taken away,
 * the link inside or around.
 */
function candidate(document: PageDocument, selector: string): string | null {
  const bare = selector.trim().replace(/^[.#]+/, '');
  const last = bare.replace(/[\s>]+(?:img|picture|li|figure)$/, '');
  const tries = [
    withoutInvisible(selector),
    `.${bare}`,
    `#${bare}`,
    `#${bare} a`,
    `.${bare} a`,
    `[${bare}]`,
    `a[${bare}]`,
    `${selector.trim()} a`,
    last,
    `.${last}`,
    selector.trim().replace(/^img(?=[.[])/, 'a'),
    selector.trim().replace(/\s+\./, '.'),
  ];
  for (const one of tries) {
    if (one === selector) continue;
    const found = matches(document, one);
    if (found.ok && found.elements.length > 0 && found.elements.every(({ tag }) => tag === 'a')) return one;
  }
  return null;
}

function whyNoLink({ kit, strays }: KitUse, matched: number, selector: string | null): string {
  const { name } = kit.manifest;
  if (matched > 0 && strays.size > 0)
    return `The ${name} opens links. These say no address, so it opens and shows nothing.`;
  if (matched > 0)
    return `The ${name} opens links. A click on these reaches the link around or inside them, which it does not answer.`;
  if (selector !== null && wordAlone(selector))
    return 'A bare word means a tag of that name. A class begins with a dot, an id with a hash, an attribute stands in brackets.';
  if (selector !== null && selector !== withoutInvisible(selector))
    return 'A character that nobody sees stands in it, as it is copied along from many a web page; to a browser it is another name.';
  return `The ${name} starts with no links and answers no click.`;
}
