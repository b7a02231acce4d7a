/** New items as their neighbours are written: what repeats the picture’s own names and words has them too. */
import { describe, expect, it } from 'vitest';
import { addItems } from './addItems.ts';
import { listOf, onGallery } from './edited.fixture.ts';

const NEW = { src: 't/z_t.jpg', href: 'big/z.jpg', alt: 'Zenith', title: 'At the top', caption: 'High up' };
const NAMES = ['reel', 'tail', 'loft'];

const words = (name: string) => `${name.charAt(0).toUpperCase()}${name.slice(1)} of the circle`;

describe('a new item', () => {
  it.each<[string, (name: string, n: number) => string, string]>([
    [
      'a second link to the same file',
      (name) =>
        `<a href="big/${name}.jpg"><img src="t/${name}_t.jpg" alt="${words(name)}"></a> <a href="big/${name}.jpg" download>Save</a>`,
      '<a href="big/z.jpg"><img src="t/z_t.jpg" alt="Zenith"></a> <a href="big/z.jpg" download>Save</a>',
    ],
    [
      'candidates',
      (name) =>
        `<a href="big/${name}.jpg"><img src="t/${name}_t.jpg" srcset="t/${name}_t.jpg 1x, big/${name}.jpg 2x" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg"><img src="t/z_t.jpg" srcset="t/z_t.jpg 1x, big/z.jpg 2x" alt="Zenith"></a>',
    ],
    [
      'a caption in an attribute',
      (name) =>
        `<a href="big/${name}.jpg" data-caption="Words of ${name} and more"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg" data-caption="High up"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'a label',
      (name) =>
        `<a href="big/${name}.jpg" aria-label="Enlarge the picture of ${name}"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg" aria-label="High up"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'an alt that nobody filled',
      (name) => `<a href="big/${name}.jpg"><img src="t/${name}_t.jpg" alt></a>`,
      '<a href="big/z.jpg"><img src="t/z_t.jpg" alt></a>',
    ],
    [
      'an id and a class that are the alt text',
      (name) => `<a href="big/${name}.jpg" id="${name}" class="${name}"><img src="t/${name}_t.jpg" alt="${name}"></a>`,
      '<a href="big/z.jpg" id="z" class="z"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'an id that nobody can guess',
      (name, n) =>
        `<a href="big/${name}.jpg" id="x${'qwe'[n]}${n * 7 + 3}y"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'a handler',
      (name) =>
        `<a href="#" onclick="show('big/${name}.jpg')" data-full="big/${name}.jpg"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '',
    ],
    [
      'a name in a thumbnail’s attribute',
      (name) => `<a href="big/${name}.jpg" data-face="${name}_t"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg" data-face="z_t"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'an attribute with an odd name',
      (name) =>
        `<a href="big/${name}.jpg" data-photo_id="${name}"><img src="t/${name}_t.jpg" alt="${words(name)}"></a>`,
      '<a href="big/z.jpg" data-photo_id="z"><img src="t/z_t.jpg" alt="Zenith"></a>',
    ],
    [
      'a permalink',
      (name) =>
        `<a href="big/${name}.jpg"><img src="t/${name}_t.jpg" alt="${words(name)}"></a><a href="#${name}" id="${name}">#</a>`,
      '<a href="big/z.jpg"><img src="t/z_t.jpg" alt="Zenith"></a><a href="#z" id="z">#</a>',
    ],
  ])('has %s as its neighbours have it', (_what, item, expected) => {
    const before = listOf(NAMES.map(item));
    const text = onGallery(before, (page, gallery) => addItems(page, gallery, [NEW]));
    if (expected === '') return expect(text).not.toContain("show('')");
    return expect(text).toBe(before.replace('</ul>', `  <li>${expected}</li>\n</ul>`));
  });
});
