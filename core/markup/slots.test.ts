import { describe, expect, it } from 'vitest';
import { listOf, onGallery, onItem, shot } from './edited.fixture.ts';
import { setAlt, setCaption, setOnLinks, setSlot, type SettableSlot } from './slots.ts';

const set = (item: string, slot: SettableSlot, value: string) => {
  const text = onItem(listOf([item, shot('b'), shot('c')]), 0, (page, one) => setSlot(page, one, slot, value));
  return /<li>(.*?)<\/li>/s.exec(text)?.[1] ?? text;
};

describe('a slot of an item', () => {
  it.each<[string, SettableSlot, string, string]>([
    [shot('a'), 'thumbnail', 'x.jpg', '<a href="a.jpg"><img src="x.jpg" alt="a"></a>'],
    [shot('a'), 'full', 'x.jpg', '<a href="x.jpg"><img src="t/a.jpg" alt="a"></a>'],
    [shot('a'), 'alt', 'A "x"', '<a href="a.jpg"><img src="t/a.jpg" alt="A &quot;x&quot;"></a>'],
    [shot('a'), 'title', 'T', '<a href="a.jpg" title="T"><img src="t/a.jpg" alt="a"></a>'],
    [shot('a', ' title="old"'), 'title', 'T', '<a href="a.jpg"><img src="t/a.jpg" alt="a" title="T"></a>'],
    [shot('a'), 'width', '60', '<a href="a.jpg"><img src="t/a.jpg" alt="a" width="60"></a>'],
    [shot('a'), 'height', '40', '<a href="a.jpg"><img src="t/a.jpg" alt="a" height="40"></a>'],
    ['<img src="t/a.jpg" alt="a">', 'title', 'T', '<img src="t/a.jpg" alt="a" title="T">'],
    ['<img src="t/a.jpg" alt="a">', 'full', 'x', 'This item has no link to carry the address.'],
    [`${shot('a')}<p>Old</p>`, 'caption', 'New', `${shot('a')}<p>New</p>`],
    [shot('a'), 'caption', 'New', 'This item has no element for a caption; write one in the source first.'],
  ])('%s: %s', (item, slot, value, expected) => expect(set(item, slot, value)).toBe(expected));

  it('in a style is an address in its own manner', () => {
    const items = ['a', 'b', 'c'].map(
      (name) => `<a href="${name}.jpg" style="background: url(t/${name}.jpg)">${name}</a>`,
    );
    const text = onItem(listOf(items), 0, (page, item) => setSlot(page, item, 'thumbnail', `x (1) 'y'&".jpg`));
    expect(text).toContain('url(x%20%281%29%20%27y%27%26%22.jpg)');
    expect(onItem(listOf(items), 0, (page, item) => setSlot(page, item, 'alt', 'x'))).toBe(
      'This item has no image tag.',
    );
    expect(onItem(listOf(items), 0, (page, item) => setAlt(page, item, 'x'))).toBe(
      'This item has no image tag to carry an alt text.',
    );
  });
});

describe('a caption', () => {
  const caption = (item: string, text: string) => {
    const after = onItem(listOf([item, item.replaceAll('a.jpg', 'b.jpg'), shot('c')]), 0, (page, one) =>
      setCaption(page, one, text),
    );
    return /<li>(.*?)<\/li>/s.exec(after)?.[1] ?? after;
  };

  it.each([
    [`${shot('a')}<p>Old</p>`, 'New & <b>', `${shot('a')}<p>New &amp; &lt;b&gt;</p>`],
    [`${shot('a')}<p>\n  Old\n</p>`, 'New', `${shot('a')}<p>\n  New\n</p>`],
    [`${shot('a')}<p>Old <b>words</b></p>`, 'New', `${shot('a')}<p>New</p>`],
    [`${shot('a')}<p>Old</p>`, '', `${shot('a')}<p></p>`],
    [`${shot('a')}<p>Old</p>`, 'Old', `${shot('a')}<p>Old</p>`],
    [`${shot('a')} Old words`, 'New', `${shot('a')} New`],
    [
      `${shot('a')} Old words`,
      ' ',
      'This caption has no element of its own; emptied, it could not be set again. Remove it in the source.',
    ],
  ])('%j → %j', (item, text, expected) => expect(caption(item, text)).toBe(expected));
});

describe('every link of a gallery', () => {
  const items = [shot('a'), '<img src="t/b.jpg" alt="">', shot('c')];
  const on = (name: string, value: string | null, all = items) =>
    onGallery(listOf(all), (page, gallery) => setOnLinks(page, gallery, name, value));

  it('gets an attribute or loses it', () => {
    const marked = items.map((item) => item.replace(/<a href="(.).jpg"/, '<a href="$1.jpg" data-x="y"'));
    expect(on('DATA-X', 'y')).toBe(listOf(marked));
    expect(on('data-x', null, marked)).toBe(listOf(items));
  });

  it.each(['a b', 'a"', "a'", 'a<', 'a>', 'a/', 'a=', '', 'a\u0007'])('is refused for the name %j', (name) => {
    expect(on(name, 'x')).toBe(`“${name}” cannot be the name of an attribute.`);
  });

  it('is refused where there is none', () => {
    const images = ['a', 'b', 'c'].map((name) => `<img src="${name}.jpg" alt="">`);
    expect(on('x', 'y', images)).toBe('No item here has a link.');
  });
});
