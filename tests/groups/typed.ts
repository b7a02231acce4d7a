/** Pages of words as people type them, in manners of their own; labelled as in `labels.ts`. */
import type { LabelledPage } from './labels.ts';

export interface TypedPage extends LabelledPage {
  body: string;
}

const WORDS =
  'Rain until nine, then a clear north-westerly. We laid the long lines out in the loft and waxed the bridles one by one, and by ten the field was full.';
const p = (more = '') => `<p>${WORDS}${more}</p>`;

export const TYPED: readonly TypedPage[] = [
  {
    name: 'thumbnails in the middle, paragraphs without ends',
    groups: [['a_t.jpg', 'b_t.jpg', 'c_t.jpg']],
    body: `<h1>June</h1>\n<p>${WORDS}\n<center>\n<a href="a.jpg"><img src="a_t.jpg" border=0></a>\n<a href="b.jpg"><img src="b_t.jpg" border=0></a>\n<a href="c.jpg"><img src="c_t.jpg" border=0></a>\n</center>\n<p>${WORDS}\n<p>${WORDS}`,
  },
  {
    name: 'a table of four between paragraphs',
    groups: [['a.jpg', 'b.jpg', 'c.jpg', 'd.jpg']],
    body: `${p()}\n<table cellpadding=4>\n<tr><td><img src="s/a.jpg"><br>First</td><td><img src="s/b.jpg"><br>Second</td></tr>\n<tr><td><img src="s/c.jpg"><br>Third</td><td><img src="s/d.jpg"><br>Fourth</td></tr>\n</table>\n${p()}`,
  },
  {
    name: 'single pictures in paragraphs of their own',
    groups: [['a.jpg'], ['b.jpg'], ['c.jpg']],
    body: `${p()}\n<p align="center"><img src="large/a.jpg" width="600" height="400" alt="A"></p>\n${p()}\n<p align="center"><img src="large/b.jpg" width="600" height="400" alt="B"></p>\n${p()}\n<p align="center"><img src="large/c.jpg" width="600" height="400" alt="C"></p>\n${p()}`,
  },
  {
    name: 'a picture with its caption in a box',
    groups: [['a.jpg'], ['b.jpg']],
    body: `${p()}\n<div class="photo">\n  <img src="img/a.jpg" alt="">\n  <p class="cap">The field at ten.</p>\n</div>\n${p()}\n${p()}\n<div class="photo">\n  <img src="img/b.jpg" alt="">\n  <p class="cap">The loft.</p>\n</div>\n${p()}`,
  },
  {
    name: 'figures, three in a row and one alone',
    groups: [['a.jpg', 'b.jpg', 'c.jpg'], ['d.jpg']],
    body: `<article>\n${p()}\n<div class="row">\n<figure><a href="l/a.jpg"><img src="s/a.jpg" alt="A"></a><figcaption>One</figcaption></figure>\n<figure><a href="l/b.jpg"><img src="s/b.jpg" alt="B"></a><figcaption>Two</figcaption></figure>\n<figure><a href="l/c.jpg"><img src="s/c.jpg" alt="C"></a><figcaption>Three</figcaption></figure>\n</div>\n${p()}\n<figure><img src="l/d.jpg" alt="D"><figcaption>Four, which is larger</figcaption></figure>\n${p()}\n</article>`,
  },
  {
    name: 'pictures beside the words of a paragraph',
    groups: [],
    body: `<p><img src="a.jpg" align="left" hspace="8">${WORDS}</p>\n<p><img src="b.jpg" align="right">${WORDS}</p>\n${p()}`,
  },
  {
    name: 'pictures and captions under one another, parted by line breaks',
    groups: [['a.jpg', 'b.jpg', 'c.jpg']],
    body: `${p()}\n<div align=center>\n<img src="a.jpg"><br>\nThe first line<br><br>\n<img src="b.jpg"><br>\nThe second line<br><br>\n<img src="c.jpg"><br>\nThe third line\n</div>\n${p()}`,
  },
  {
    name: 'a definition list of pictures',
    groups: [['a.jpg', 'b.jpg', 'c.jpg']],
    body: `${p()}\n<dl>\n<dt><a href="a.jpg"><img src="t/a.jpg"></a><dd>A deer-horn reel\n<dt><a href="b.jpg"><img src="t/b.jpg"></a><dd>A reel of ash\n<dt><a href="c.jpg"><img src="t/c.jpg"></a><dd>A reel of nothing much\n</dl>\n${p()}`,
  },
  {
    name: 'a list of thumbnails, and faces in the words',
    groups: [['a.jpg', 'b.jpg', 'c.jpg', 'd.jpg']],
    body: `<p>${WORDS} <img src="smile.gif" width="15" height="15" alt=":)"> And so on.</p>\n<ul class="thumbs">\n${[
      'a',
      'b',
      'c',
      'd',
    ]
      .map((name) => `<li><a href="big/${name}.jpg"><img src="small/${name}.jpg" alt="${name}"></a></li>`)
      .join('\n')}\n</ul>\n<p>Not bad <img src="wink.gif" width="15" height="15" alt=";)">, said the book.</p>`,
  },
  {
    name: 'capitals, a picture in a quotation',
    groups: [['LOFT.JPG'], ['REEL1.JPG', 'REEL2.JPG']],
    body: `<FONT FACE="Arial">\n<P>${WORDS}\n<BLOCKQUOTE><IMG SRC="PICS/LOFT.JPG" WIDTH=400 HEIGHT=300></BLOCKQUOTE>\n<P>${WORDS}\n<P><IMG SRC="PICS/REEL1.JPG"> <IMG SRC="PICS/REEL2.JPG">\n<P>${WORDS}\n</FONT>`,
  },
  {
    name: 'nothing but icons',
    groups: [],
    body: `<p><img src="icons/mail.gif" alt="Mail" width="16" height="16"> Write to us. <img src="icons/new.gif" alt="New"> ${WORDS}</p>\n<ul>\n<li><img src="icons/dot.gif" alt=""> ${WORDS}</li>\n<li><img src="icons/dot.gif" alt=""> ${WORDS}</li>\n</ul>\n${p()}`,
  },
  {
    name: 'a box at the right with its caption',
    groups: [['reel.jpg'], ['a.jpg', 'b.jpg']],
    body: `${p()}\n<div style="float: right; width: 220px">\n<a href="l/reel.jpg"><img src="s/reel.jpg" width="200" height="150" alt="The reel"></a><br>\n<small>The reel of 1911</small>\n</div>\n${p()}\n${p()}\n<p><a href="l/a.jpg"><img src="s/a.jpg" alt=""></a> <a href="l/b.jpg"><img src="s/b.jpg" alt=""></a></p>\n${p()}`,
  },
  {
    name: 'two rows under two headings',
    groups: [
      ['a.jpg', 'b.jpg', 'c.jpg'],
      ['d.jpg', 'e.jpg'],
    ],
    body: `<h2>Before</h2>\n${p()}\n<div class="pics"><a href="l/a.jpg"><img src="s/a.jpg" alt=""></a><a href="l/b.jpg"><img src="s/b.jpg" alt=""></a><a href="l/c.jpg"><img src="s/c.jpg" alt=""></a></div>\n<h2>After</h2>\n<div class="pics"><a href="l/d.jpg"><img src="s/d.jpg" alt=""></a><a href="l/e.jpg"><img src="s/e.jpg" alt=""></a></div>\n${p()}`,
  },
  {
    name: 'pictures in several formats, and one in a section',
    groups: [['a.jpg'], ['b.jpg']],
    body: `<main>\n${p()}\n<picture><source srcset="a.webp" type="image/webp"><img src="a.jpg" alt="A"></picture>\n${p()}\n<section class="wide"><img src="b.jpg" alt="B"></section>\n${p()}\n</main>`,
  },
  {
    name: 'a frame of pictures around words',
    groups: [],
    body: `<header><a href="index.html"><img src="logo.png" alt="The circle"></a></header>\n<nav><a href="a.html"><img src="menu/a.gif" alt="A"></a><a href="b.html"><img src="menu/b.gif" alt="B"></a></nav>\n${p()}\n${p()}\n<footer><p><a href="index.html"><img src="home.gif" alt="Home"></a></p><p><img src="portrait.jpg" width="60" height="60" alt="Who wrote this"> Written in the loft.</p></footer>`,
  },
];
