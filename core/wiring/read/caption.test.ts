import { describe, expect, it } from 'vitest';
import { parsePage } from '../../markup/index.ts';
import { readManifest, type Kit, type KitManifestInput } from '../kit/manifest.ts';
import { captionOf, descriptionOf } from './caption.ts';

function kitWith(caption: KitManifestInput['caption']): Kit {
  const read = readManifest({
    name: 'kite',
    title: 'Kite',
    files: [{ name: 'kite.js', role: 'script' }],
    folder: 'js',
    marker: { attribute: 'data-kite' },
    caption,
  });
  if (!read.ok) throw new Error(read.reason);
  return { manifest: read.manifest, files: {}, kind: 'own' };
}

function itemIn(html: string) {
  const { elements } = parsePage(html);
  const the = (tag: string) => elements.find((element) => element.tag === tag) ?? null;
  return { link: the('a'), image: the('img') };
}

const FULL = itemIn(
  '<figure><a href="a.jpg" title=" of  the\n link " data-words="own" data-more=" more  of it "><img alt="of the picture"></a>' +
    '<div><figcaption> of the <b>figure</b>\n here </figcaption></div></figure>',
);
const ALL = kitWith({
  attribute: 'data-words',
  from: ['attribute', 'figure', 'title', 'alt'],
  description: 'data-more',
});

describe('the words shown with a picture', () => {
  it.each([
    [['attribute', 'figure', 'title', 'alt'], 'own'],
    [['figure', 'title'], 'of the figure here'],
    [['title', 'figure'], 'of the link'],
    [['alt', 'title'], 'of the picture'],
    [[], ''],
  ] as const)('are looked for in the order %j', (from, caption) => {
    expect(captionOf(FULL, kitWith({ attribute: 'data-words', from: [...from] }))).toBe(caption);
  });

  it('are those of the next place where one says nothing', () => {
    const says = (html: string) => captionOf(itemIn(html), ALL);
    expect(says('<figure><a title="t"><img alt="a"></a></figure>')).toBe('t');
    expect(says('<figure><a title="t"></a><figcaption> </figcaption></figure>')).toBe('t');
    expect(says('<a title="  "><img alt="a"></a>')).toBe('a');
    expect(says('<a></a>')).toBe('');
    expect(says('<a><img></a>')).toBe('');
    expect(says('<img alt="a">')).toBe('');
  });

  it('are none where the attribute says so, or is empty', () => {
    expect(captionOf(itemIn('<a data-words="off" title="t"></a>'), ALL)).toBe('');
    expect(captionOf(itemIn('<a data-words="" title="t"></a>'), ALL)).toBe('');
    expect(captionOf(itemIn('<a data-words="off" title="t"></a>'), kitWith({ from: ['attribute', 'title'] }))).toBe(
      't',
    );
  });

  it('are first those of a place that is chosen, behind what is said for this picture', () => {
    const chosen = (first: string, item = FULL) => captionOf(item, ALL, new Map(), first);
    const unsaid = itemIn('<figure><a title="t"><img alt="a"></a><figcaption>f</figcaption></figure>');
    expect(chosen('alt')).toBe('own');
    expect([chosen('alt', unsaid), chosen('title', unsaid), chosen('nowhere', unsaid)]).toEqual(['a', 't', 'f']);
    // A place at which the viewer never looks cannot be chosen.
    expect(captionOf(unsaid, kitWith({ from: ['title', 'figure'] }), new Map(), 'alt')).toBe('t');
  });

  it('are those that would be written', () => {
    const written = (words: [string, string | null][]) => captionOf(FULL, ALL, new Map(words));
    expect(written([['data-words', 'new']])).toBe('new');
    expect(written([['data-words', null]])).toBe('of the figure here');
  });

  it('may be followed by others', () => {
    expect(descriptionOf(FULL, ALL)).toBe('more of it');
    expect(descriptionOf(FULL, kitWith({ from: [] }))).toBe('');
    expect(descriptionOf({ link: null }, ALL)).toBe('');
    expect(descriptionOf(itemIn('<a></a>'), ALL)).toBe('');
  });
});
