/**
 * Pages that nobody here wrote: the HTML of Debian's policy manual, which `npm test` installs where it may
 * (package `debian-policy`). Nothing of it is in the repository.
 */
import { readdirSync, readFileSync, existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { describe, expect, it } from 'vitest';
import {
  attributeOf,
  editAttribute,
  galleriesOf,
  hazardsOf,
  menusOf,
  parsePage,
  patternOf,
  setCaption,
} from '../../core/markup/index.ts';
import { applyEdits, invertEdits, decodeText, encodeText, type Edit } from '../../core/site/index.ts';

const FOLDER = '/usr/share/doc/debian-policy';
const pages = existsSync(FOLDER)
  ? readdirSync(FOLDER, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.html?$/i.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name))
      // The largest take as long as all others together; `npm run test:strangers` reads those as well.
      .filter((path) => statSync(path).size < 300_000)
  : [];

/** Every element that parse5 gives a place, with its attributes, in document order. */
function located(
  text: string,
): { tag: string; start: number; end: number; attributes: [string, string, number, number][] }[] {
  const found: ReturnType<typeof located> = [];
  const visit = (node: Tree.ChildNode) => {
    if (!('tagName' in node)) return;
    const place = node.sourceCodeLocation;
    if (place)
      found.push({
        tag: node.tagName,
        start: place.startOffset,
        end: place.endOffset,
        attributes: node.attrs.flatMap(
          ({ name, value }) =>
            (place.attrs?.[name]
              ? [[name, value, place.attrs[name].startOffset, place.attrs[name].endOffset]]
              : []) as [string, string, number, number][],
        ),
      });
    ('content' in node ? node.content.childNodes : node.childNodes).forEach(visit);
  };
  parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false }).childNodes.forEach(visit);
  return found;
}

/** Applied and taken back: every byte is as it was. */
function thereAndBack(text: string, edits: readonly Edit[]): void {
  const applied = applyEdits(text, [...edits]);
  expect(applied.ok).toBe(true);
  if (applied.ok) expect(applyEdits(applied.text, invertEdits(text, [...edits]))).toEqual({ ok: true, text });
}

// Without root and without the package there is nothing to read; `npm test` says that this was left out.
describe.skipIf(pages.length === 0)('the pages of a manual', () => {
  it('are there, some dozens of them', () => expect(pages.length).toBeGreaterThan(30));

  it.each(pages.map((path) => [path.slice(FOLDER.length + 1), path]))('%s', (_name, path) => {
    const bytes = new Uint8Array(readFileSync(path));
    const decoded = decodeText(bytes);
    if (!decoded.ok) throw new Error(decoded.reason);
    const { text } = decoded;
    // Opened and saved, it is the same to the byte.
    expect(Buffer.from(encodeText(text)).equals(Buffer.from(bytes))).toBe(true);
    const page = parsePage(text);
    expect(
      page.elements
        .filter(({ range }) => range)
        .map(({ tag, range, attributes }) => ({
          tag,
          ...range,
          attributes: attributes.map(({ name, value, range: at }) => [name, value, at.start, at.end]),
        })),
    ).toEqual(located(text));
    hazardsOf(page);
    menusOf(page, 'page.html');
    for (const gallery of galleriesOf(page)) {
      patternOf(page, gallery);
      for (const item of gallery.items) {
        const edited = setCaption(page, item, 'Another & <caption>');
        if (edited.ok) thereAndBack(text, edited.edits);
      }
    }
    // An attribute of every fiftieth link, set and set back.
    for (const link of page.elements.filter(({ tag, open }) => tag === 'a' && open).filter((_, n) => n % 50 === 0)) {
      for (const name of ['title', 'href']) {
        const edited = editAttribute(page, link, name, 'A "title" & more');
        if (!edited.ok) throw new Error(edited.reason);
        thereAndBack(text, edited.edits);
        const applied = applyEdits(text, edited.edits);
        if (applied.ok)
          expect(attributeOf(parsePage(applied.text).elements[link.index]!, name)?.value).toBe('A "title" & more');
      }
    }
  });
});
