/** Galleries with what their authors put into and round them, as found on old and odd pages. */
import type { HandWritten } from './styles.fixture.ts';

const letters = ['a', 'b', 'c'];
const three = ['s/a.jpg', 's/b.jpg', 's/c.jpg'];
const img = (n: string, rest = '') => `<img src="s/${n}.jpg" alt="${n}"${rest}>`;
const item = (n: string, rest = '') => `<a href="l/${n}.jpg"${rest}>${img(n)}</a>`;
const list = (write: (n: string, at: number) => string) =>
  `<ul>\n${letters.map((n, at) => `  <li>${write(n, at)}</li>`).join('\n')}\n</ul>`;
const captions = ['Kite a', 'Kite b', 'Kite c'];

export const ODD_STYLES: readonly HandWritten[] = [
  {
    name: 'captions in the next row',
    body: `<table>\n<tr>${letters.map((n) => `<td>${item(n)}</td>`).join('')}</tr>\n<tr>${letters.map((n) => `<td>Kite ${n}</td>`).join('')}</tr>\n</table>`,
    galleries: [three],
    captions,
  },
  {
    name: 'captions in the next row, without end tags',
    body: `<TABLE>\n<TR>${letters.map((n) => `<TD><IMG SRC=s/${n}.jpg>`).join('')}</TR>\n<TR>${letters.map((n) => `<TD>Kite ${n}`).join('')}</TR>\n</TABLE>`,
    galleries: [three],
    captions,
    targets: [null, null, null],
  },
  {
    name: 'rows of two, two and one',
    body: `<table>${['ab', 'cd', 'e'].map((row) => `<tr>${[...row].map((n) => `<td>${item(n)}</td>`).join('')}</tr>`).join('\n')}</table>`,
    galleries: [['a', 'b', 'c', 'd', 'e'].map((n) => `s/${n}.jpg`)],
  },
  {
    name: 'one item alone has been sold',
    body: list((n, at) => item(n) + (at === 1 ? '<span class="sold">Sold</span>' : '')),
    galleries: [three],
  },
  {
    name: 'a second link beside each',
    body: list((n) => `${item(n)}<a href="l/${n}.jpg" title="Download ${n}" download>save</a>`),
    galleries: [three],
  },
  {
    name: 'a bare alt',
    body: list((n) => `<a href="l/${n}.jpg"><img src="s/${n}.jpg" alt></a>`),
    galleries: [three],
  },
  {
    name: 'attributes with odd names',
    body: list((n) => `<a href="l/${n}.jpg" data-photo_id="p_${n}" @click="show" :key="'${n}'" x.y="1">${img(n)}</a>`),
    galleries: [three],
  },
  {
    name: 'several sizes of a file',
    body: list(
      (n) =>
        `<a href="l/${n}.jpg">${img(n, ` srcset="s/${n}.jpg 150w, l/${n}.jpg 900w" sizes="(min-width: 40em) 20vw, 90vw"`)}</a>`,
    ),
    galleries: [three],
  },
  {
    name: 'thumbnails with an ending of their own',
    body: list((n) => `<a href="p/${n}.jpg"><img src="p/${n}_t.jpg" alt="${n}"></a>`),
    galleries: [letters.map((n) => `p/${n}_t.jpg`)],
    targets: letters.map((n) => `p/${n}.jpg`),
  },
  {
    name: 'captions in attributes',
    body: list((n) => `<a href="l/${n}.jpg" data-caption="Kite ${n}" aria-label="Kite ${n}, large">${img(n)}</a>`),
    galleries: [three],
  },
  {
    name: 'a call on each link',
    body: list((n) => `<a href="l/${n}.jpg" onclick="show('l/${n}.jpg'); return false">${img(n)}</a>`),
    galleries: [three],
  },
  {
    name: 'a size label',
    body: list((n, at) => `${item(n)}<small>1600 × ${1000 + at}, ${300 + at} KB</small>`),
    galleries: [three],
  },
  {
    name: 'ids and permalinks',
    body: list((n, at) => `<span id="photo-${at + 1}"></span>${item(n)}<a class="p" href="#photo-${at + 1}">¶</a>`),
    galleries: [three],
  },
  {
    name: 'comments behind end tags',
    body: `<div class="g">\n${letters.map((n) => `<div class="col">${item(n)}</div><!-- /col -->`).join('\n')}\n</div>`,
    galleries: [three],
  },
  {
    name: 'comments that eat white space',
    body: `<div>${letters.map((n) => item(n)).join('<!--\n-->')}</div>`,
    galleries: [three],
  },
  {
    name: 'an item taken out for a while',
    body: `<ul>\n  <li>${item('a')}</li>\n  <!-- <li>${item('x')}</li> -->\n  <li>${item('b')}</li>\n  <li>${item('c')}</li>\n</ul>`,
    galleries: [three],
  },
  {
    name: 'foreign things in the head and round the items',
    body: `<style>.g a { margin: 0 }</style>\n<div class="g" data-x_y='1'>\n<!-- from here -->\n${letters.map((n) => item(n)).join('\n')}\n<script>var n = "<a>";</script>\n</div>`,
    galleries: [three],
  },
  {
    name: 'a script between the items',
    body: `<div>${letters.map((n) => `${item(n)}<script>note("${n}")</script>`).join('\n')}</div>`,
    galleries: [three],
  },
  {
    name: 'entities in words',
    body: list((n) => `${item(n)}<p>Kite ${n} &mdash; &lt;new&gt; &eacute;t&eacute;&nbsp;&#9992;</p>`),
    galleries: [three],
    captions: letters.map((n) => `Kite ${n} — <new> été ✈`),
  },
  {
    name: 'within details, each',
    body: letters.map((n) => `<details><summary>${img(n)}</summary><img src="l/${n}.jpg" alt=""></details>`).join('\n'),
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'swapped by the pointer',
    body: `<p><img id="big" src="l/a.jpg" alt=""></p>\n<div>${letters.map((n) => `<a href="javascript:show('l/${n}.jpg')" onmouseover="show('l/${n}.jpg')">${img(n)}</a>`).join('\n')}</div>`,
    galleries: [three],
    targets: letters.map((n) => `javascript:show('l/${n}.jpg')`),
  },
  {
    name: 'numbers that stand in words, classes and attributes',
    body: list(
      (n, at) => `<a href="l/${n}.jpg" class="k k${at + 1}" data-at="${at}">${img(n)}</a><b>${at + 1}.</b> Kite ${n}`,
    ),
    galleries: [three],
  },
  {
    name: 'upper case, tabs and two links of a kind',
    body: `<UL>\n${letters.map((n) => `\t<LI><A HREF="l/${n}.jpg"><IMG SRC="s/${n}.jpg" BORDER=0></A>\t<A HREF="l/${n}.jpg">Kite ${n}</A></LI>`).join('\n')}\n</UL>`,
    galleries: [three],
  },
  {
    name: 'a heading and a rule in every item',
    body: letters.map((n) => `<article><h3>Kite ${n}</h3>${item(n)}<hr><p>Flown.</p></article>`).join('\n'),
    galleries: [three],
  },
  {
    name: 'microdata',
    body: `<div itemscope itemtype="https://schema.org/ImageGallery">${letters.map((n) => `<figure itemprop="associatedMedia" itemscope itemtype="https://schema.org/ImageObject"><a href="l/${n}.jpg" itemprop="contentUrl"><img src="s/${n}.jpg" itemprop="thumbnail" alt="${n}"></a><figcaption itemprop="caption">Kite ${n}</figcaption></figure>`).join('\n')}</div>`,
    galleries: [three],
    captions,
  },
  {
    name: 'labels of radio buttons, what they show in a list of its own',
    body: `<div class="g">\n${letters.map((_, at) => `<input type="radio" name="k" id="k${at + 1}">`).join('\n')}\n<div class="t">${letters.map((n, at) => `<label for="k${at + 1}">${img(n)}</label>`).join('\n')}</div>\n<div class="v">${letters.map((n) => `<img src="l/${n}.jpg" alt="">`).join('\n')}</div>\n</div>`,
    galleries: [three],
  },
  {
    name: 'a radio button, its label and what it shows, again and again',
    body: `<div class="g">\n${letters.map((n, at) => `<input type="radio" name="k" id="k${at + 1}"><label for="k${at + 1}">${img(n)}</label><div class="v"><img src="l/${n}.jpg" alt=""></div>`).join('\n')}\n</div>`,
    galleries: [three],
  },
  {
    name: 'links to ids further down',
    body: `<ul>\n${letters.map((n) => `<li><a href="#p-${n}">${img(n)}</a></li>`).join('\n')}\n</ul>\n${letters.map((n) => `<div class="o" id="p-${n}"><a href="#">close</a><img src="l/${n}.jpg" alt="${n}"><p>Kite ${n}</p></div>`).join('\n')}`,
    galleries: [three],
    captions,
  },
  {
    name: 'buttons of parts further up',
    body: `<div>${letters.map((n) => `<section id="v_${n}" hidden><img src="l/${n}.jpg" alt="${n}, large"></section>`).join('\n')}</div>\n<div>${letters.map((n) => `<button type="button" aria-controls="v_${n}">${img(n)}</button>`).join('\n')}</div>`,
    galleries: [three],
  },
  {
    name: 'objects',
    body: list((n) => `<object data="s/${n}.jpg" type="image/jpeg">Kite ${n}</object>`),
    galleries: [three],
    targets: [null, null, null],
    captions,
  },
  {
    name: 'buttons that are pictures',
    body: `<form action="show">\n${letters.map((n) => `<input type="image" name="${n}" src="s/${n}.jpg" alt="${n}">`).join('\n')}\n</form>`,
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'films by their posters',
    body: `<div>\n${letters.map((n) => `<video src="v/${n}.mp4" poster="s/${n}.jpg" controls></video>`).join('\n')}\n</div>`,
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'pictures in a drawing',
    body: `<svg viewBox="0 0 300 100">\n${letters.map((n, at) => `<a href="l/${n}.jpg"><image x="${at * 100}" width="90" height="90" xlink:href="s/${n}.jpg"/></a>`).join('\n')}\n</svg>`,
    galleries: [three],
  },
  {
    name: 'elements of the author’s own',
    body: `<kite-wall>\n${letters.map((n) => `<kite-photo full="l/${n}.jpg" thumb="s/${n}.jpg">Kite ${n}</kite-photo>`).join('\n')}\n</kite-wall>`,
    galleries: [three],
    captions,
  },
  {
    name: 'a first one that is larger',
    body: `<div class="g">\n<figure class="big">${item('a')}<figcaption>Kite a</figcaption></figure>\n<div class="i">${item('b')}</div>\n<div class="i">${item('c')}</div>\n</div>`,
    galleries: [three],
  },
  {
    name: 'columns of two with one large between',
    body: `<div class="b">\n<div class="col">${item('a')}${item('b')}</div>\n${item('c')}\n<div class="col">${item('d')}${item('e')}</div>\n</div>`,
    galleries: [['a', 'b', 'c', 'd', 'e'].map((n) => `s/${n}.jpg`)],
  },
  {
    name: 'before and after, each in its own box',
    body: letters
      .map(
        (n) =>
          `<div class="pair"><div class="before"><img src="s/${n}.jpg" alt=""></div><div class="after"><img src="s/${n}2.jpg" alt=""></div></div>`,
      )
      .join('\n'),
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'centred, with open paragraphs',
    body: `<CENTER><P>${item('a')}<BR>Kite a<P>${item('b')}<BR>Kite b<P>${item('c')}<BR>Kite c</CENTER>`,
    galleries: [three],
    captions,
  },
  {
    name: 'a bare link beside wrapped ones',
    body: `<div>\n<div class="i">${item('a')}</div>\n${item('b')}\n<div class="i">${item('c')}</div>\n</div>`,
    galleries: [three],
  },
];
