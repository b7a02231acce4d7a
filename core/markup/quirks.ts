/** How a browser lays a page out by its doctype (WHATWG HTML §13.2.6.4.1). */
import { parse } from 'parse5';

export const quirksOf = (text: string): 'no-quirks' | 'limited-quirks' | 'quirks' =>
  parse(text, { scriptingEnabled: false }).mode;
