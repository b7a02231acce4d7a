/** What a picture has elsewhere on the page, told by an id, goes where the picture goes. */
import { describe, expect, it } from 'vitest';
import { addItems, freshItems } from './addItems.ts';
import { parsePage, type PageDocument } from './document.ts';
import { doneOn } from './edited.fixture.ts';
import { galleriesOf, type Gallery } from './galleries.ts';
import { moveItem, removeItem } from './items.ts';

const letters = ['a', 'b', 'c'];
const small = (name: string) => `<img src="s/${name}.jpg" alt="${name}">`;
const listed = (name: string) => `  <li><a href="#p-${name}">${small(name)}</a></li>\n`;
const panel = (name: string) =>
  `<div class="o" id="p-${name}"><a href="#">close</a><img src="l/${name}.jpg" alt="${name}"><p>${name.toUpperCase()} flies</p></div>\n`;
const targets = (order: string[], panels = order) =>
  `<ul>\n${order.map(listed).join('')}</ul>\n${panels.map(panel).join('')}`;

const choice = (at: number) => `<input type="radio" name="k" id="k${at + 1}">\n`;
const label = (name: string, at: number) => `<label for="k${at + 1}">${small(name)}</label>\n`;
const large = (name: string) => `<img src="l/${name}.jpg" alt="${name}">\n`;
const choices = (order: string[]) =>
  `<div>\n${order.map((_, at) => choice(at)).join('')}<p>\n${order.map(label).join('')}</p>\n<div>\n${order.map(large).join('')}</div>\n</div>`;

function opened(text: string): { page: PageDocument; gallery: Gallery } {
  const page = parsePage(text);
  const [gallery, ...others] = galleriesOf(page);
  if (!gallery || others.length > 0) throw new Error('There is not one gallery.');
  return { page, gallery };
}

const fresh = (name: string) => ({
  src: `s/${name}.jpg`,
  href: `l/${name}.jpg`,
  alt: name,
  title: '',
  caption: `${name.toUpperCase()} flies`,
});

describe('a link to an id', () => {
  it('opens the picture there, whose words are its caption', () => {
    const { items } = opened(targets(letters)).gallery;
    expect(items.map(({ target }) => target?.value)).toEqual(letters.map((name) => `l/${name}.jpg`));
    expect(items.map(({ caption }) => caption?.text)).toEqual(['A flies', 'B flies', 'C flies']);
  });

  it('goes with what it leads to', () => {
    expect(doneOn(targets(letters), (page, gallery) => removeItem(page, gallery, 1))).toBe(targets(['a', 'c']));
    expect(doneOn(targets(letters), (page, gallery) => moveItem(page, gallery, 2, 0))).toBe(targets(['c', 'a', 'b']));
  });

  it('is written with what it leads to', () => {
    const added = doneOn(targets(letters), (page, gallery) => addItems(page, gallery, [fresh('d'), fresh('e')]));
    expect(added).toBe(targets([...letters, 'd', 'e']));
    expect(doneOn(targets(letters), (page, gallery) => addItems(page, gallery, [fresh('d')], 1))).toBe(
      targets(['a', 'd', 'b', 'c']),
    );
  });

  it('moves what it leads to where that stands in another order', () => {
    const text = targets(letters, ['c', 'a', 'b']);
    expect(doneOn(text, (page, gallery) => moveItem(page, gallery, 1, 0))).toBe(
      targets(['b', 'a', 'c'], ['c', 'b', 'a']),
    );
  });

  it('is no gallery’s elsewhere where it leads to a part of the page with several pictures, or to none', () => {
    const section = (name: string) =>
      `<section id="p-${name}"><p>${small(`${name}1`)}${small(`${name}2`)}</p></section>`;
    const sections = `<ul>${letters.map(listed).join('')}</ul>${letters.map(section).join('')}`;
    expect(galleriesOf(parsePage(sections))[0]?.items.flatMap(({ elsewhere }) => elsewhere)).toEqual([]);
    const headings = `<ul>${letters.map(listed).join('')}</ul>${letters.map((name) => `<h2 id="p-${name}">K</h2>`).join('')}`;
    expect(galleriesOf(parsePage(headings))[0]?.items.map(({ target }) => target?.value)).toEqual(
      letters.map((name) => `#p-${name}`),
    );
  });

  it('cannot be taken to another place without what it leads to', () => {
    const { page, gallery } = opened(targets(letters));
    expect(freshItems(page, gallery, [fresh('d')])).toMatchObject({ ok: false });
  });
});

describe('a label of a choice', () => {
  it('shows the picture that stands in its place', () => {
    const { items } = opened(choices(letters)).gallery;
    expect(items.map(({ target }) => target?.value)).toEqual(letters.map((name) => `l/${name}.jpg`));
    expect(items.map(({ elsewhere }) => elsewhere.map(({ tag }) => tag))).toEqual(letters.map(() => ['input', 'img']));
  });

  it('changes places with others, and the choices stay, for a stylesheet may count them', () => {
    expect(doneOn(choices(letters), (page, gallery) => moveItem(page, gallery, 0, 2))).toBe(choices(['b', 'c', 'a']));
  });

  it('gets a choice of its own, by the next number', () => {
    expect(doneOn(choices(letters), (page, gallery) => addItems(page, gallery, [fresh('d')]))).toBe(
      choices([...letters, 'd']),
    );
  });

  it('is not written between others, where its number would be taken', () => {
    const { page, gallery } = opened(choices(letters));
    expect(addItems(page, gallery, [fresh('d')], 1)).toMatchObject({ ok: false, reason: /add it behind the last one/ });
  });
});
