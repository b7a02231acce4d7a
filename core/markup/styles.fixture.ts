/** Galleries in the manners in which people write them: the markup inside the body, and what is to be read from it. */

export interface HandWritten {
  name: string;
  body: string;
  /** For each gallery the sources of its items in order; a link without image counts by its address. */
  galleries: string[][];
  /** Alt texts of the first gallery, where they matter. */
  captions?: (string | null)[];
}

const three = ['s/a.jpg', 's/b.jpg', 's/c.jpg'];
const item = (n: string, rest = '') => `<a href="l/${n}.jpg"${rest}><img src="s/${n}.jpg" alt="${n.toUpperCase()}"></a>`;

export const STYLES: readonly HandWritten[] = [
  { name: 'bare links in a div', body: `<div>\n${item('a')}\n${item('b')}\n${item('c')}\n</div>`, galleries: [three] },
  { name: 'bare links in a paragraph, with commas', body: `<p>${item('a')}, ${item('b')}, ${item('c')}</p>`, galleries: [three] },
  { name: 'an unordered list', body: `<ul>\n  <li>${item('a')}</li>\n  <li>${item('b')}</li>\n  <li>${item('c')}</li>\n</ul>`, galleries: [three] },
  { name: 'a list without end tags', body: `<ul>\n<li>${item('a')}\n<li>${item('b')}\n<li>${item('c')}\n</ul>`, galleries: [three] },
  { name: 'figures with captions', body: ['a', 'b', 'c'].map((n) => `<figure>${item(n)}<figcaption>Kite ${n}</figcaption></figure>`).join('\n'), galleries: [three], captions: ['Kite a', 'Kite b', 'Kite c'] },
  { name: 'a caption before the picture', body: `<div>${['a', 'b', 'c'].map((n) => `<div class="i"><span>Kite ${n}</span>${item(n)}</div>`).join('\n')}</div>`, galleries: [three], captions: ['Kite a', 'Kite b', 'Kite c'] },
  { name: 'captions with markup inside', body: `<ul>${['a', 'b', 'c'].map((n) => `<li>${item(n)}<p>Kite <em>${n}</em> &amp; more</p></li>`).join('')}</ul>`, galleries: [three], captions: ['Kite a & more', 'Kite b & more', 'Kite c & more'] },
  { name: 'a table with rows', body: `<table><tr><td>${item('a')}</td><td>${item('b')}</td></tr><tr><td>${item('c')}</td><td>${item('d')}</td></tr></table>`, galleries: [[...three, 's/d.jpg']] },
  { name: 'rows of divs', body: `<div class="g"><div class="row">${item('a')}${item('b')}</div>\n<div class="row">${item('c')}${item('d')}</div></div>`, galleries: [[...three, 's/d.jpg']] },
  { name: 'a definition list', body: `<dl>${['a', 'b', 'c'].map((n) => `<dt>${item(n)}</dt><dd>Kite ${n}</dd>`).join('\n')}</dl>`, galleries: [three], captions: ['Kite a', 'Kite b', 'Kite c'] },
  { name: 'link and paragraph in turn', body: `<div>${['a', 'b', 'c'].map((n) => `${item(n)}<p>Kite ${n}</p>`).join('\n')}</div>`, galleries: [three], captions: ['Kite a', 'Kite b', 'Kite c'] },
  { name: 'before and after in one list item', body: `<ul>${['a', 'b', 'c'].map((n) => `<li>${item(n)}${item(`${n}2`)}</li>`).join('')}</ul>`, galleries: [three] },
  { name: 'capitals and no quotes', body: `<UL>\n<LI><A HREF=l/a.jpg><IMG SRC=s/a.jpg ALT=A></A>\n<LI><A HREF=l/b.jpg><IMG SRC=s/b.jpg ALT=B></A>\n<LI><A HREF=l/c.jpg><IMG SRC=s/c.jpg ALT=C></A>\n</UL>`, galleries: [three] },
  { name: 'single quotes and spaces round the signs', body: `<div><a href = 'l/a.jpg'><img src = 's/a.jpg' alt = 'A'></a>\n<a href = 'l/b.jpg'><img src = 's/b.jpg' alt = 'B'></a>\n<a href = 'l/c.jpg'><img src = 's/c.jpg' alt = 'C'></a></div>`, galleries: [three] },
  { name: 'pictures without links', body: '<div><img src="s/a.jpg" alt="A"><img src="s/b.jpg" alt="B"><img src="s/c.jpg" alt="C"></div>', galleries: [three] },
  { name: 'links without pictures', body: '<ul><li><a href="l/a.jpg">A</a></li><li><a href="l/b.jpg">B</a></li></ul>', galleries: [['l/a.jpg', 'l/b.jpg']] },
  { name: 'one item that has lost its link', body: `<div>${item('a')}<img src="s/b.jpg" alt="B">${item('c')}</div>`, galleries: [three] },
  { name: 'picture elements', body: `<div>${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg"><picture><source srcset="s/${n}.webp" type="image/webp"><img src="s/${n}.jpg" alt="${n}"></picture></a>`).join('')}</div>`, galleries: [three] },
  { name: 'mixed with and without a picture element', body: `<div><a href="l/a.jpg"><picture><img src="s/a.jpg" alt="A"></picture></a>${item('b')}${item('c')}</div>`, galleries: [three] },
  { name: 'a gallery of one', body: `<figure>${item('a')}<figcaption>Kite</figcaption></figure>`, galleries: [['s/a.jpg']] },
  { name: 'comments that belong to an item', body: `<div>\n  <!-- first -->\n  ${item('a')}\n  <!-- Ask before printing -->\n  ${item('b')}\n  ${item('c')}\n</div>`, galleries: [three] },
  { name: 'two galleries on a page', body: `<section>${item('a')}${item('b')}</section><section>${item('c')}${item('d')}</section>`, galleries: [['s/a.jpg', 's/b.jpg'], ['s/c.jpg', 's/d.jpg']] },
  { name: 'icons in a menu are no gallery', body: '<nav><a href="a.html"><img src="home.png" alt="Home"></a><a href="b.html"><img src="mail.png" alt="Mail"></a></nav>', galleries: [] },
  { name: 'the same arrow again and again is no gallery', body: '<ul><li><a href="a.html"><img src="arrow.gif" alt="">A</a></li><li><a href="b.html"><img src="arrow.gif" alt="">B</a></li><li><a href="c.html"><img src="arrow.gif" alt="">C</a></li></ul>', galleries: [] },
  { name: 'pictures in prose are no gallery', body: ['a', 'b', 'c'].map((n) => `<p>${'Long ago on the moor a kite was flown. '.repeat(8)}<img src="s/${n}.jpg" alt="${n}"></p>`).join('\n'), galleries: [] },
  { name: 'entities in attributes', body: `<div><a href="l/a.jpg?x=1&amp;y=2"><img src="s/a.jpg" alt="Salt &amp; wind"></a><a href="l/b.jpg"><img src="s/b.jpg" alt="&quot;B&quot;"></a></div>`, galleries: [['s/a.jpg', 's/b.jpg']] },
];

/** As a whole page, with the line breaks and the byte order mark asked for. */
export function pageOf(body: string, { crlf = false, bom = false } = {}): string {
  const text = `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title></head>\n<body>\n<h1>Kites</h1>\n${body}\n</body>\n</html>\n`;
  return (bom ? '\uFEFF' : '') + (crlf ? text.replaceAll('\n', '\r\n') : text);
}
