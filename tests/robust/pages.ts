/**
 * Pages with one damage each, as a hand in a hurry does it: they are read and worked on. Nothing throws, every change
 * is taken back to the byte, and nothing is lost or appears but what was asked for.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { STYLES } from '../../core/markup/styles.fixture.ts';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { planFor, type Intent } from '../../core/plans/index.ts';
import { applyChange, type Change, type FileContent } from '../../core/site/index.ts';
import { SITE } from '../site/make.ts';
import { Count, randomFrom, type Part } from './part.ts';

const COUNT = 12_000;

/** Pages of every style of hand, and those of the tests' own site. */
const PAGES: string[] = [
  ...STYLES.map(
    ({ body }) =>
      `<!DOCTYPE html>\n<html lang="en">\n<head><title>t</title></head>\n<body>\n${body}\n</body>\n</html>\n`,
  ),
  ...readdirSync(SITE)
    .filter((name) => name.endsWith('.html'))
    .map((name) => readFileSync(join(SITE, name), 'utf8')),
];

/** What slips into a page. */
const SLIPS = [
  '<',
  '>',
  '"',
  "'",
  '</',
  '<!--',
  '-->',
  '</div>',
  '</a>',
  '<p>',
  '&',
  '&amp;',
  '\r',
  '\r\n',
  '\t',
  '\u00a0',
  '=',
  '/',
  '<table>',
  '</table>',
  '<script>',
  '<svg>',
  '\0',
  '<a ',
  '<img',
  '<li>',
  '\ufeff',
  '<![CDATA[',
];

function damagedText(text: string, random: () => number): string {
  const below = (end: number) => Math.floor(random() * end);
  const at = below(text.length);
  const length = 1 + below(40);
  switch (below(5)) {
    case 0:
      return text.slice(0, at) + (SLIPS[below(SLIPS.length)] ?? '') + text.slice(at);
    case 1:
      return text.slice(0, at) + text.slice(at + length);
    case 2:
      return text.slice(0, at + length) + text.slice(at);
    case 3:
      return text.slice(0, at) + (SLIPS[below(SLIPS.length)] ?? '') + text.slice(at + 1);
    default:
      return text.replaceAll('\n', '\r\n').slice(0, at) + text.slice(at + length);
  }
}

/** Elements with their attributes, words and comments, in the order of the page. */
function tokensOf(html: string): string[] {
  const tokens: string[] = [];
  const visit = (node: Tree.Node) => {
    if ('tagName' in node)
      tokens.push(`<${node.tagName}>`, ...node.attrs.map(({ name, value }) => `${node.tagName} ${name}=${value}`));
    if (node.nodeName === '#text' && 'value' in node) tokens.push(node.value);
    if (node.nodeName === '#comment' && 'data' in node) tokens.push(`<!--${node.data}`);
    if ('content' in node) visit(node.content);
    if ('childNodes' in node) node.childNodes.forEach(visit);
  };
  visit(parse(html));
  return tokens;
}

interface Asked {
  intent: Intent;
  /** What of a page may be other afterwards: these tokens are left out of the comparison. */
  mayChange: (token: string) => boolean;
}

/** What is asked of each page: an alt text, and another name for a picture. */
function askedOf(site: SiteReading): Asked[] {
  const strand = site.pages.flatMap(({ strands }) => strands.flat())[0];
  const picture = [...site.files.keys()].find((path) => path.endsWith('.jpg'));
  return [
    ...(strand
      ? [
          {
            intent: { kind: 'set-alt', strand: strand.id, value: 'A “kite” & more' },
            mayChange: (token: string) => /^(?:img|input|area) alt=/.test(token),
          } as Asked,
        ]
      : []),
    ...(picture
      ? [
          {
            intent: { kind: 'rename', from: picture, to: picture.replace(/[^/]+$/, 'renamed-picture.jpg') },
            mayChange: (token: string) =>
              token.includes('renamed-picture') ||
              token.includes(picture.replace(/^.*\//, '')) ||
              token.includes(encodeURIComponent(picture.replace(/^.*\//, ''))),
          } as Asked,
        ]
      : []),
  ];
}

const isText = (content: FileContent | undefined): content is FileContent & { kind: 'text' } =>
  content?.kind === 'text';

/** What is wrong with a change; null where nothing is. */
function wrongWith(
  files: ReadonlyMap<string, FileContent>,
  change: Change,
  mayChange: Asked['mayChange'],
): string | null {
  const applied = applyChange(files, change);
  if (!applied.ok) return `not applied: ${applied.reason}`;
  const back = applyChange(applied.files, applied.inverse);
  if (!back.ok) return `not taken back: ${back.reason}`;
  for (const [path, content] of files) {
    const again = back.files.get(path);
    if (isText(content) && !(isText(again) && again.text === content.text))
      return `${path} is other after it was taken back`;
    const after = applied.files.get(path);
    if (!path.endsWith('.html') || !isText(content) || !isText(after)) continue;
    const [was, is] = [content, after].map(({ text }) => tokensOf(text).filter((token) => !mayChange(token)));
    const at = was?.findIndex((token, n) => token !== is?.[n]) ?? -1;
    if (was?.length !== is?.length || at >= 0)
      return `lost or new: ${JSON.stringify(was?.[at]).slice(0, 60)}, ${JSON.stringify(is?.[at]).slice(0, 60)}`;
  }
  return null;
}

/** A file for every name that a page may mean. */
function siteWith(html: string): SiteReading {
  const files = new Map<string, FileContent>([['index.html', { kind: 'text', text: html }]]);
  for (const [, path = ''] of html.matchAll(/["'(]([\w./-]+\.(?:jpe?g|png|gif|webp))["')]/gi))
    files.set(path.replace(/^\.?\//, ''), { kind: 'binary', hash: path, bytes: 1 });
  return readSite(files, new Map(), []);
}

export const pages: Part = {
  name: 'pages',
  run(from) {
    const thrown = new Count();
    const losses = new Count();
    let refused = 0;
    for (let n = from; n < from + COUNT; n++) {
      const html = damagedText(PAGES[n % PAGES.length] ?? '', randomFrom(n));
      try {
        const site = siteWith(html);
        for (const { intent, mayChange } of askedOf(site)) {
          const planned = planFor(site, intent);
          if (!planned.ok) refused++;
          else {
            const wrong = wrongWith(site.files, planned.change, mayChange);
            losses.one(wrong === null ? null : `${n}, ${intent.kind}: ${wrong}`);
          }
        }
        thrown.one(null);
      } catch (error) {
        thrown.one(
          `${n}: ${error instanceof Error ? (error.stack ?? '').split('\n').slice(0, 3).join(' ') : String(error)}`,
        );
      }
    }
    return Promise.resolve([
      thrown.row('damaged pages: exceptions'),
      losses.row(
        'changes of damaged pages: not taken back to the byte, or something lost or new',
        `${refused} were refused`,
      ),
    ]);
  },
};
