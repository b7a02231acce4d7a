/** Texts of HTML: its tags, and what is said in and between them. */

export interface Value {
  /** In the HTML. */
  from: number;
  /** As it is written there. */
  text: string;
}

export interface Said {
  /** The tags without their values: two texts that have the same differ in values alone. */
  frame: string;
  /** Of attributes, and each line of words. */
  values: Value[];
}

/** A comment, a tag with whatever stands between quotes in it, or words of one line. */
const PART = /<!--[^]*?-->|<(?:"[^"]*"|'[^']*'|[^'"<>])*>|[^<\n]+|[<\n]/g;
const QUOTED = /=\s*("[^"]*"|'[^']*')/g;

export function valuesOf(html: string): Said {
  const values: Value[] = [];
  let frame = '';
  let at = 0;
  const add = (from: number, to: number) => {
    values.push({ from, text: html.slice(from, to) });
    frame += `${html.slice(at, from)}\0`;
    at = to;
  };
  for (const { index, 0: part } of html.matchAll(PART)) {
    if (!/^[<\n]/.test(part)) add(index, index + part.length);
    else if (/^<\w/.test(part))
      for (const { index: inside, 0: written, 1: quoted = '' } of part.matchAll(QUOTED)) {
        const end = index + inside + written.length;
        add(end - quoted.length + 1, end - 1);
      }
  }
  return { frame: frame + html.slice(at), values };
}
