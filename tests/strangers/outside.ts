/**
 * What stands in pages and where their addresses lead, told by parse5 and by Node's own `URL` alone: nothing of the
 * program takes part, so that it cannot agree with itself.
 */
import { parse, parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

export type Texts = ReadonlyMap<string, string>;

/** How often each thing is there. */
export type Bag = Map<string, number>;

const add = (bag: Bag, token: string, by = 1): void => void bag.set(token, (bag.get(token) ?? 0) + by);

function visit(node: Tree.Node, see: (node: Tree.Node) => void): void {
  const open: Tree.Node[] = [node];
  for (let next = open.pop(); next; next = open.pop()) {
    see(next);
    if ('content' in next) open.push(next.content);
    if ('childNodes' in next) open.push(...next.childNodes);
  }
}

function tokensOf(root: Tree.Node): Bag {
  const bag: Bag = new Map();
  visit(root, (node) => {
    if ('tagName' in node) {
      add(bag, `<${node.tagName}>`);
      for (const { name, value } of node.attrs) add(bag, `${node.tagName} ${name}=${value}`);
    } else if (node.nodeName === '#text' && 'value' in node) {
      const { parentNode } = node;
      const code = parentNode && ['script', 'style'].includes(parentNode.nodeName) ? 'code ' : 'word ';
      for (const word of node.value.split(/\s+/)) if (word !== '') add(bag, code + word);
    } else if (node.nodeName === '#comment' && 'data' in node) add(bag, `comment ${node.data}`);
  });
  return bag;
}

export const bagOfPage = (text: string): Bag => tokensOf(parse(text, { scriptingEnabled: false }));
export const bagOfPart = (text: string): Bag => tokensOf(parseFragment(text, { scriptingEnabled: false }));

/** What `one` has more often than `other`. */
export function without(one: Bag, other: Bag): Bag {
  const left: Bag = new Map();
  for (const [token, count] of one) {
    const more = count - (other.get(token) ?? 0);
    if (more > 0) left.set(token, more);
  }
  return left;
}

export function together(bags: Iterable<Bag>): Bag {
  const all: Bag = new Map();
  for (const bag of bags) for (const [token, count] of bag) add(all, token, count);
  return all;
}

const HOST = 'https://site.example/';
const addressOf = (path: string): string => new URL(path.split('/').map(encodeURIComponent).join('/'), HOST).href;

/** The attributes in which a page of documentation leads to another file (HTML, “Attributes that have URLs”). */
const LEADING = new Set(['href', 'src', 'background', 'poster', 'data', 'action', 'cite', 'longdesc', 'lowsrc']);

/** Where every address of a page leads, in the order of the page; what is no address stands as it is. */
export function leadsOf(text: string, path: string, moved: (address: string) => string = (one) => one): string[] {
  const leads: string[] = [];
  const page = parse(text, { scriptingEnabled: false });
  let base = addressOf(path);
  visit(page, (node) => {
    if (!('tagName' in node) || node.tagName !== 'base') return;
    const href = node.attrs.find(({ name }) => name === 'href')?.value;
    if (href !== undefined && URL.canParse(href, base)) base = new URL(href, base).href;
  });
  visit(page, (node) => {
    if (!('tagName' in node) || node.tagName === 'base') return;
    for (const { name, value } of node.attrs) {
      if (!LEADING.has(name)) continue;
      const trimmed = value.trim();
      if (!URL.canParse(trimmed, base)) {
        leads.push(`${name} ${value}`);
        continue;
      }
      const lead = new URL(trimmed, base);
      // What a script names is written anew within it.
      if (lead.protocol === 'javascript:') {
        leads.push(`${name} javascript:`);
        continue;
      }
      const tail = lead.search + lead.hash;
      lead.search = '';
      lead.hash = '';
      leads.push(`${name} ${moved(normalised(lead.href))}${tail}`);
    }
  });
  return leads;
}

/** One way of writing for what escapes may write in two. */
function normalised(href: string): string {
  if (!href.startsWith(HOST)) return href;
  try {
    return HOST + decodeURIComponent(href.slice(HOST.length));
  } catch {
    return href;
  }
}

/** As {@link leadsOf} has it, of a file of the site. */
export const leadTo = (path: string): string => HOST + path;
