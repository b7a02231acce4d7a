/** Things that no pattern knows, put into a page where HTML allows them: what an author may have added by hand. */

/** Elements that may hold words and other elements alike. */
const MAY_HOLD =
  /<(?:div|li|td|th|figure|figcaption|span|p|a|h[1-6]|section|article|main|body|dd|b|em|label|button)\b[^<>]*>/gi;
const ANY_START = /<[a-z][\w-]*(?=[\s>])[^<>]*>/gi;

type Pick = (end: number) => number;

/** Within a place that may hold it. */
const WITHIN: readonly ((n: number) => string)[] = [
  (n) => `<span class="zq${n}">Zqword${n}</span>`,
  (n) => ` zqloose${n} `,
  (n) => `&eacute;zq${n} &amp; &lt;b&gt; &#8212; 5&nbsp;°`,
  (n) => `<b data-zq_id="${n}">zqbold${n}</b><wbr>`,
  (n) => `<input type="hidden" name="zq${n}" value="a &amp; b">`,
  (n) => `<br><small>zqsmall${n}</small>`,
  (n) => `<script>var zq${n} = "<b>" + 'x';</script>`,
  (n) => `<svg width="9" height="9" aria-label="zq${n}"><path d="M0 0h9"/></svg>`,
  (n) => `<em>zq${n}</em>\r\n\t\t`,
  (n) => `<!-- zq ${n} <a href="l/old${n}.jpg"><img src="s/old${n}.jpg"></a> -->`,
];

const ATTRIBUTES: readonly ((n: number) => string)[] = [
  (n) => ` data-zq_${n}="a:b.c"`,
  (n) => ` @zq${n}='go("x")'`,
  (n) => ` :zq.${n}="{ a: 1 }"`,
  (n) => ` zq${n}`,
  (n) => ` x-zq${n}=bare/value`,
  (n) => `\n\tdata-zq-${n} = "caf&eacute; &quot;x&quot;"`,
];

/** Between any two tags. */
const BETWEEN: readonly ((n: number) => string)[] = [
  (n) => `<!-- zq ${n} -->`,
  (n) => `<!--zq${n}--><!---->`,
  () => '\r\n\r\n',
  () => '\t \t',
];

function chosen<T>(all: readonly T[], pick: Pick): T | null {
  return all[pick(all.length)] ?? null;
}

/** The page with one foreign thing more; `n` tells it from the others. */
export function withForeign(text: string, n: number, pick: Pick): string {
  const put = (at: number, what: string) => text.slice(0, at) + what + text.slice(at);
  const from = text.indexOf('<body');
  const comments = [...text.matchAll(/<!--[\s\S]*?-->/g)].map(({ index, 0: { length } }) => [index, index + length]);
  const isCode = (at: number) => comments.some(([start = 0, end = 0]) => at >= start && at < end);
  const starts = (pattern: RegExp) =>
    [...text.matchAll(pattern)].filter(({ index }) => index >= from && !isCode(index));
  const kind = pick(3);
  if (kind === 0) {
    const holder = chosen(starts(MAY_HOLD), pick);
    const what = chosen(WITHIN, pick);
    return holder && what ? put(holder.index + holder[0].length, what(n)) : text;
  }
  if (kind === 1) {
    const tag = chosen(starts(ANY_START), pick);
    const what = chosen(ATTRIBUTES, pick);
    const name = /^<[\w-]+/.exec(tag?.[0] ?? '')?.[0];
    return tag && what && name !== undefined ? put(tag.index + name.length, what(n)) : text;
  }
  const tag = chosen(starts(ANY_START), pick);
  const what = chosen(BETWEEN, pick);
  return tag && what ? put(tag.index, what(n)) : text;
}
