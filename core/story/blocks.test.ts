import { describe, expect, it } from 'vitest';
import { galleriesOf, parsePage } from '../markup/index.ts';
import { groupsOf } from './index.ts';

/** Pictures of each group, without the ending of their names. */
function groupsIn(body: string): string[] {
  const document = parsePage(`<!DOCTYPE html>\n<title>x</title>\n<body>\n<p>Before.</p>\n${body}\n<p>Behind.</p>\n`);
  return groupsOf({ document, galleries: galleriesOf(document) }).map(({ gallery }) =>
    gallery.items.map(({ source }) => source?.value.replace(/\.\w+$/, '')).join(' '),
  );
}

describe('a block with one picture is a group', () => {
  it.each([
    ['a figure', '<figure><img src="a.jpg"><figcaption>The field</figcaption></figure>'],
    [
      'a link in its caption',
      '<figure><img src="a.jpg"><figcaption>Photo: <a href="r.html">Rudd</a></figcaption></figure>',
    ],
    [
      'a caption that is a link',
      '<figure><img src="a.jpg"><figcaption><a href="r.html">The field in May</a></figcaption></figure>',
    ],
    ['words with a link', '<div class="thumb"><img src="a.jpg"><div><a href="b.html">Box kite</a> in May</div></div>'],
    [
      'a sign that links to its page',
      '<div class="thumb"><div><img src="a.jpg" /><a href="a.html">[*]</a><div>The field</div></div></div>',
    ],
    ['a sign and no words', '<p><img src="a.jpg"><a href="a.html">&raquo;</a></p>'],
    [
      'a credit of two',
      '<div><img src="a.jpg"><p>Photo by <a href="r.html">Rudd</a> and <a href="s.html">Sill</a></p></div>',
    ],
  ])('%s', (_, body) => {
    expect(groupsIn(body)).toEqual(['a']);
  });
});

describe('no group is', () => {
  it.each([
    ['a picture over a menu', '<div><img src="a.jpg"><a href="i.html">Home</a> <a href="n.html">News</a></div>'],
    [
      'a menu with bars between its links',
      '<div><img src="a.jpg"><a href="i.html">Home</a> | <a href="n.html">News</a></div>',
    ],
    ['a picture with the way on', '<div><img src="a.jpg"><a href="next.html">Next page</a></div>'],
    ['a picture whose places are links', '<div><img src="a.jpg" usemap="#ways"></div>'],
    ['one of those by itself', '<img src="a.jpg" usemap="#ways">'],
  ])('%s', (_, body) => {
    expect(groupsIn(body)).toEqual([]);
  });
});
