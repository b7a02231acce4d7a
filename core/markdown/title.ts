/** The heading that a text begins with: CommonMark 0.31, §4.2 and §4.3. */
const HEADING = /^\uFEFF?\s*?(?: {0,3}#[ \t]+(\S.*?)(?:[ \t]+#+)?|(\S.*)\r?\n {0,3}=+)[ \t]*(?:\r?\n\s*|$)/;

/** Its words as they are written, and what comes behind it; null where a text begins with something else. */
export function titleIn(markdown: string): { title: string; rest: string } | null {
  const found = HEADING.exec(markdown);
  const title = found?.[1] ?? found?.[2];
  return found && title !== undefined ? { title: title.trim(), rest: markdown.slice(found[0].length) } : null;
}
