import { describe, expect, it } from 'vitest';
import { doneOn, listOf, onGallery, shot } from './edited.fixture.ts';
import { addSlide, type Slide } from './slides.ts';

const shots = ['a', 'b', 'c'].map((name) => shot(name));
const WORDS: Slide = { is: 'words', title: 'Wind & <kites>', text: 'One\nline.\n\n  Another.\n' };
const FILM: Slide = { is: 'video', src: 'v.mp4', poster: 't/v.jpg', width: 60, height: 40, title: 'Loop', caption: '' };
const added = (html: string, slide: Slide, at?: number) =>
  doneOn(html, (page, gallery) => addSlide(page, gallery, slide, at));
const MADE = '<h2>Wind &amp; &lt;kites&gt;</h2><p>One line.</p><p>Another.</p>';

describe('a slide that is no picture', () => {
  it.each([
    [undefined, 3],
    [3, 3],
    [2, 2],
    [0, 0],
  ])('comes to place %s among the items', (at, place) => {
    const wanted = [...shots.slice(0, place), MADE, ...shots.slice(place)];
    expect(added(listOf(shots), WORDS, at)).toBe(listOf(wanted));
  });

  it('has the lines of its page, the class of its neighbour and nothing of its neighbour’s picture', () => {
    const figure = (name: string) =>
      `<figure class="kite" id="${name}" data-at="${name}">\r\n  ${shot(name)}\r\n  <figcaption>${name}</figcaption>\r\n</figure>`;
    const html = `<body>\r\n<div>\r\n${figure('a')}\r\n${figure('b')}\r\n</div>\r\n</body>`;
    const film = { ...FILM, caption: 'Loop & landing' };
    expect(added(html, film, 1)).toBe(
      `<body>\r\n<div>\r\n${figure('a')}\r\n<figure class="kite">\r\n  <video src="v.mp4" poster="t/v.jpg" width="60" height="40" aria-label="Loop" controls preload="none"></video>\r\n  <figcaption>Loop &amp; landing</figcaption>\r\n</figure>\r\n${figure('b')}\r\n</div>\r\n</body>`,
    );
  });

  it('is an element of its own where items are bare links', () => {
    const alone = `<body><div>${shots.join('\n')}</div></body>`;
    expect(added(alone, { ...FILM, poster: null, title: '' }, 1)).toBe(
      `<body><div>${shots[0]}\n<div><video src="v.mp4" width="60" height="40" controls preload="none"></video></div>\n${shots[1]}\n${shots[2]}</div></body>`,
    );
  });

  it('has its caption as what holds it lets it, and no style that draws another picture', () => {
    const item = (name: string) => `<li class="k" style="background: url(t/${name}.jpg)">${shot(name)}</li>`;
    const html = `<body><ul>${['a', 'b'].map(item).join('\n')}</ul></body>`;
    const film = { ...FILM, caption: 'Loop' };
    expect(added(html, film)).toMatch(/\n<li class="k"><video [^>]+><\/video><p>Loop<\/p><\/li><\/ul>/);
    const paragraphs = `<body><div>${shots.map((one) => `<p>${one}</p>`).join('\n')}</div></body>`;
    expect(added(paragraphs, film)).toMatch(/\n<p><video [^>]+><\/video><span>Loop<\/span><\/p><\/div>/);
  });

  it('stands only where its markup may', () => {
    const inline = `<body><p>${shots.join('\n')}</p></body>`;
    expect(onGallery(inline, (page, gallery) => addSlide(page, gallery, WORDS))).toMatch(/cannot stand in a <p>/);
    expect(added(inline, FILM)).toContain('\n<span><video src="v.mp4"');
    const paragraphs = `<body><div>${shots.map((one) => `<p class="shot">${one}</p>`).join('\n')}</div></body>`;
    expect(added(paragraphs, WORDS)).toContain(`\n<div class="shot">${MADE}</div></div>`);
    expect(added(paragraphs, FILM)).toContain('\n<p class="shot"><video src="v.mp4"');
  });

  it('is written in capitals and as XML where its page is', () => {
    const html = `<BODY><H3>K</H3><UL>${shots.map((one) => `<LI>${one}</LI>`).join('')}</UL></BODY>`;
    expect(added(html, WORDS)).toContain(
      '<LI><H4>Wind &amp; &lt;kites&gt;</H4><P>One line.</P><P>Another.</P></LI></UL>',
    );
    const xml = `<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Strict//EN">${listOf(shots)}`;
    expect(added(xml, FILM)).toContain(' controls="controls" preload="none"></video>');
  });

  it('is refused where items are more than one element, or stand in rows', () => {
    const flat = `<body><div>${['a', 'b', 'c'].map((name) => `${shot(name)}<p>${name}</p>`).join('')}</div></body>`;
    const rows = `<body><table><tr><td>${shots[0]}</td><td>${shots[1]}</td></tr><tr><td>${shots[2]}</td><td>${shot('d')}</td></tr></table></body>`;
    for (const html of [flat, rows])
      expect(onGallery(html, (page, gallery) => addSlide(page, gallery, WORDS))).toMatch(
        /more than one element.*in the source/,
      );
  });
});
