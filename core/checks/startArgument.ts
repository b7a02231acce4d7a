import { matches, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { answersLinks, startWritten, type KitUse, type StartingScript } from '../wiring/index.ts';
import { countOf } from '../site/index.ts';
import { editScript, inScript } from './editScript.ts';
import { type Fix, type Observation, type Rule } from './finding.ts';

export const startArgument: Rule = {
  id: 'start-argument',
  station: 'wiring',
  title: 'A start call is handed what the viewer takes, and all of it',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) =>
        use.starts.flatMap((start) => notTaken(site, page, use, start) ?? firstOnly(site, page, use, start) ?? []),
      ),
    ),
};

const SAYS = { selector: 'a selector', element: 'an element', list: 'a list of elements' } as const;

/** An element where only words of CSS are taken, or the other way round. */
function notTaken(site: SiteReading, page: PageReading, use: KitUse, start: StartingScript): Observation | null {
  const { call, refused } = start;
  const { start: own, name } = use.kit.manifest;
  if (refused === null || !own || !call.firstAt) return null;
  const takes = own.takes.map((one) => SAYS[one]).join(' or ');
  const fixes =
    call.text !== null && own.takes.includes('selector')
      ? [mend(site, page, start, call.firstAt, `'${call.text.replace(/'/g, '"')}'`)]
      : [];
  return {
    matter: `${page.path}:${call.name}:${call.text ?? ''}`,
    severity: 'error',
    says: `${startWritten(own, '…')} is handed ${SAYS[refused]}; the ${name} takes ${takes}.`,
    why: `The ${name} makes nothing of it, and the browser stops it with an error: no link is answered.`,
    place: inScript(page, start.include, call.firstAt),
    strand: null,
    joint: 'viewer',
    fixes,
  };
}

/** `querySelector` gives one element, however many there are. */
function firstOnly(site: SiteReading, page: PageReading, use: KitUse, start: StartingScript): Observation | null {
  const { call, include } = start;
  if (call.handed !== 'element' || !answersLinks(use.kit.manifest) || start.items !== null) return null;
  const links = linksFound(page, call.text);
  if (links < 2 || !call.firstAt) return null;
  const code = include.inline?.text ?? page.wiring.scripts.find((run) => run.include === include)?.text ?? '';
  const { start: at, end } = call.firstAt;
  const asked = /\bquerySelector(?=\s*\()/.exec(code.slice(at, end));
  const word = asked && { start: at + asked.index, end: at + asked.index + asked[0].length };
  const takesList = use.kit.manifest.start?.takes.includes('list') ?? false;
  return {
    matter: `${page.path}:${call.name}:first of ${call.text}`,
    severity: 'error',
    says: `This call is handed the first of ${countOf(links, 'link')} that “${call.text}” finds.`,
    why: 'querySelector gives the first element alone; the other links open their pictures by themselves.',
    place: inScript(page, start.include, call.firstAt),
    strand: null,
    joint: 'viewer',
    fixes: word && takesList ? [mend(site, page, start, word, 'querySelectorAll')] : [],
  };
}

function linksFound(page: PageReading, selector: string | null): number {
  const found = selector === null ? null : matches(page.document, selector);
  return found?.ok ? found.elements.filter(({ tag }) => tag === 'a').length : 0;
}

interface Place {
  start: number;
  end: number;
}

const mend = (
  site: SiteReading,
  page: PageReading,
  { include, call }: StartingScript,
  at: Place,
  text: string,
): Fix => ({
  kind: 'change',
  states: STATES.code,
  label: `Write ${text}`,
  plan: () => editScript(page, include, [{ ...at, text }], `Correct the call of ${call.name} on ${page.path}`, site),
});
