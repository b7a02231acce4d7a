/** The first start tag of a piece of a page that may begin with any element, also one that stands only in a table. */
import { applyEdits } from '../site/index.ts';
import { parsePage } from './document.ts';
import { setAttribute } from './encode.ts';

/** Any element may begin a page by this name; `tr` and `td` would be lost there. */
const STAND_IN = 'span';

/** The piece with an attribute on its first element; null where it begins with none. */
export function withAttribute(piece: string, name: string, value: string): string | null {
  const begin = /^\s*<([a-z][^\s/>]*)/i.exec(piece);
  const tag = begin?.[1];
  if (!begin || tag === undefined) return null;
  const lead = begin[0].slice(0, -tag.length);
  const rest = STAND_IN + piece.slice(begin[0].length);
  const element = parsePage(lead + rest).elements.find(({ open }) => open);
  const edit = element && setAttribute(element, name, value, lead + rest);
  if (!edit) return piece;
  const applied = applyEdits(lead + rest, [edit]);
  return applied.ok ? lead + tag + applied.text.slice(lead.length + STAND_IN.length) : null;
}
