import { charsetOf, firstBeyondAscii, isAscii, isUtf8, type PageDocument, STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import type { Edit } from '../site/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

/** A browser goes by what is declared (WHATWG HTML §13.2.3.2); a text that was read here is UTF-8. */
export const charsetUnlike: Rule = {
  id: 'charset-unlike',
  station: 'markup',
  title: 'Every page with letters beyond ASCII declares UTF-8',
  find: (site) => site.pages.flatMap((page) => (isAscii(withoutMark(page.text)) ? [] : (observed(page) ?? []))),
};

/** A byte order mark declares UTF-8 by itself. */
const MARK = '\uFEFF';
const withoutMark = (text: string): string => (text.startsWith(MARK) ? '' : text);

function observed(page: PageReading): Observation | null {
  const declared = charsetOf(page.document);
  if (declared && isUtf8(declared)) return null;
  const letter = firstBeyondAscii(page.text) ?? '';
  const edit: Edit | null = declared ? { ...declared.range, text: 'utf-8' } : metaIn(page.document);
  return {
    matter: page.path,
    severity: declared ? 'error' : 'warning',
    says: declared
      ? `The page is written in UTF-8 and declares ${declared.label}.`
      : 'The page has letters beyond ASCII and declares no encoding.',
    why: declared
      ? `A browser believes the page: “${letter}” comes out as other letters.`
      : `Unless its host says so, a browser takes it for another encoding: “${letter}” comes out as other letters.`,
    place: placeIn(page, declared?.range),
    strand: null,
    joint: null,
    fixes: edit
      ? [
          {
            kind: 'change',
            states: { ...STATES.attributes, gives: ['tags', 'attributes'] },
            label: 'Declare UTF-8',
            plan: () => planPage(page, `Declare UTF-8 in ${page.path}`, [edit], declared ? 0 : 1),
          },
        ]
      : [],
  };
}

/** As the first thing in the head, for it must stand within the first 1024 bytes. */
function metaIn({ elements, text }: PageDocument): Edit | null {
  const head = elements.find(({ tag, open }) => tag === 'head' && open && open.end > open.start);
  if (!head?.open || !head.range) return null;
  const at = head.open.end;
  const space = /^\s*/.exec(text.slice(at))?.[0] ?? '';
  return { start: at, end: at, text: `${space}<meta charset="utf-8">` };
}
