/**
 * One item under a pattern that was changed: what the change asks for is written, and what the item alone has stays.
 * Three texts are compared: the item as the old pattern has it, as the new one has it, and as it stands.
 */
import { diff3MergeRegions } from 'node-diff3';

interface Token {
  text: string;
  /** Of an attribute its name in lower case, and the tag in which it stands. */
  attribute?: { tag: string; name: string };
}

/** What stands in a tag is read otherwise than the words between tags. */
function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  let tag: string | null = null;
  for (let at = 0; at < text.length;) {
    const token = tokenAt(text, at, tag !== null);
    at += token.length;
    if (tag === null && /^<[a-z]/i.test(token)) tag = token.slice(1).toLowerCase();
    else if (tag !== null && token.endsWith('>')) tag = null;
    const name = /^\s+([^\s=>"'/]+)/.exec(token)?.[1]?.toLowerCase();
    tokens.push(tag !== null && name !== undefined ? { text: token, attribute: { tag, name } } : { text: token });
  }
  return tokens;
}

const IN_TAG = /\s*\/?>|\s+[^\s=>"'/]+(?:\s*=\s*(?:"[^"]*"|'[^']*'|[^\s"'>]+))?|\s+|[\s\S]/y;
const BETWEEN_TAGS = /<!--[\s\S]*?-->|<\/?[a-z][^\s/>]*|\s+|[^\s<]+|[\s\S]/iy;

function tokenAt(text: string, at: number, inTag: boolean): string {
  const rule = inTag ? IN_TAG : BETWEEN_TAGS;
  rule.lastIndex = at;
  return rule.exec(text)?.[0] ?? text.charAt(at);
}

/** Null where the change and the item speak of one and the same place. */
export function mergeItem(old: string, now: string, item: string): string | null {
  if (item === old || now === item) return now;
  if (now === old) return item;
  const [a, o, b] = [item, old, now].map((text) => tokensOf(text).map((token) => token.text));
  let merged = '';
  for (const region of diff3MergeRegions(a ?? [], o ?? [], b ?? [])) {
    if (region.stable) merged += region.bufferContent.join('');
    else {
      const [own, before, asked] = [region.aContent, region.oContent, region.bContent].map((one) => one.join(''));
      const both = bothOf(own ?? '', before ?? '', asked ?? '');
      if (both === null) return null;
      merged += both;
    }
  }
  return merged;
}

/** Two insertions at one place: attributes of other names, or markup of which neither is the other’s. */
function bothOf(own: string, before: string, asked: string): string | null {
  if (own === asked) return own;
  if (before.trim() !== '') return null;
  const names = (text: string) =>
    [...text.matchAll(/(?:^|\s)([^\s=>"'/<]+)\s*(?==|\s|$)/g)].map((match) => match[1]?.toLowerCase());
  const isMarkup = (text: string) => text.includes('<');
  if (isMarkup(own) !== isMarkup(asked)) return null;
  if (!isMarkup(own) && names(own).some((name) => names(asked).includes(name))) return null;
  return own + asked;
}

/**
 * What an item has that the old pattern does not give it, and that is not there any more; null where nothing is lost.
 * Attributes with their values, tags, comments and words are counted.
 */
export function lostFrom(item: string, old: string, merged: string): string | null {
  const own = countsOf([item, 1], [old, -1]);
  const there = countsOf([merged, 1]);
  for (const [key, more] of own) if (more > 0 && (there.get(key) ?? 0) < more) return key.replace(/^\S* /, '');
  return null;
}

/** What an item would get that the change of the pattern does not ask for; null where there is nothing. */
export function givenTo(item: string, old: string, now: string, merged: string): string | null {
  const asked = countsOf([now, 1], [old, -1]);
  for (const [key, more] of countsOf([merged, 1], [item, -1]))
    if (more > Math.max(0, asked.get(key) ?? 0)) return key.replace(/^\S* /, '');
  return null;
}

/** How often each thing stands in texts that count for or against it. */
function countsOf(...texts: readonly (readonly [string, 1 | -1])[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const [text, by] of texts) for (const key of keysOf(text)) counts.set(key, (counts.get(key) ?? 0) + by);
  return counts;
}

const keysOf = (text: string): string[] =>
  tokensOf(text).flatMap(({ text: token, attribute }) => {
    const key = token.trim();
    if (attribute) return `${attribute.tag} ${key}`;
    return key === '' || /^\/?>$/.test(key) ? [] : `- ${key}`;
  });
