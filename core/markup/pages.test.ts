import { describe, expect, it } from 'vitest';
import { parsePage, type PageDocument } from './document.ts';
import { textAfter, the } from './edited.fixture.ts';
import { setLink, unlinked } from './links.ts';
import {
  firstGallery,
  indentOf,
  insertAtEnd,
  insertBeside,
  insertScript,
  insertStylesheet,
  isDeferred,
  newlineOf,
  scriptTag,
  skeletonPage,
  titleOf,
} from './pages.ts';
import { classValue, rewriteTag } from './rewrite.ts';
import { sameBut, verified, verifiedSameShape } from './verify.ts';
import type { Edit } from '../site/index.ts';

const done = (html: string, work: (page: PageDocument) => Edit | null) => {
  const page = parsePage(html);
  const edit = work(page);
  return edit && textAfter(page, { ok: true, edits: [edit] });
};

describe('a skeleton', () => {
  it('has its title, and a stylesheet where there is one', () => {
    const page = skeletonPage('Kites & <more>', 'a "b".css');
    expect(page).toBe(
      [
        '<!DOCTYPE html>',
        '<html lang="en">',
        '<head>',
        '  <meta charset="utf-8">',
        '  <meta name="viewport" content="width=device-width, initial-scale=1">',
        '  <title>Kites &amp; &lt;more&gt;</title>',
        '  <link rel="stylesheet" href="a &quot;b&quot;.css">',
        '</head>',
        '<body>',
        '  <main>',
        '    <h1>Kites &amp; &lt;more&gt;</h1>',
        '  </main>',
        '</body>',
        '</html>',
        '',
      ].join('\n'),
    );
    expect(skeletonPage('Kites', null)).not.toContain('stylesheet');
  });
});

describe('a first gallery', () => {
  const item = { src: 't/a".jpg', href: 'a&b.jpg', alt: '"a"', title: '', caption: '' };
  const gallery = (html: string, items = [item]) => {
    const page = parsePage(html);
    return textAfter(page, firstGallery(page, items));
  };
  const figure = (indent: string, size = '', caption = '') =>
    `${indent}<figure>\n${indent}  <a href="a&amp;b.jpg"><img src="t/a&quot;.jpg"${size} alt="&quot;a&quot;" loading="lazy"></a>${caption}\n${indent}</figure>\n`;

  it('stands at the end of main, or of the body', () => {
    const block = (indent: string) => `${indent}<div class="pictures">\n${figure(`${indent}  `)}${indent}</div>\n`;
    expect(gallery('<body>\n  <main>\n    <p>x</p>\n  </main>\n</body>')).toBe(
      `<body>\n  <main>\n    <p>x</p>\n${block('    ')}  </main>\n</body>`,
    );
    expect(gallery('<body>\n<p>x</p>\n</body>')).toBe(`<body>\n<p>x</p>\n${block('  ')}</body>`);
    expect(gallery('<body><p>x</p></body>')).toBe(`<body><p>x</p>\n${block('  ')}</body>`);
    expect(gallery('<body>\r\n</body>')).toBe(`<body>\r\n${block('  ').replaceAll('\n', '\r\n')}</body>`);
    expect(gallery('<p>x</p>')).toBe(
      'The page has no </main> and no </body> to write the gallery before. Close the body first.',
    );
    expect(gallery('<body><main><p>x</p></body>')).toBe(`<body><main><p>x</p>\n${block('  ')}</body>`);
  });

  it('has sizes and captions where they are known', () => {
    const sized = { ...item, width: 60, height: 40, caption: 'A & b' };
    expect(gallery('<body>\n</body>', [sized, { ...item, width: 60 }] as (typeof item)[])).toBe(
      `<body>\n  <div class="pictures">\n${figure('    ', ' width="60" height="40"', '\n      <figcaption>A &amp; b</figcaption>')}${figure('    ')}  </div>\n</body>`,
    );
  });

  it('is refused where the pictures would not be read', () => {
    expect(gallery('<body><textarea></body>')).toBe(
      'The page has no </main> and no </body> to write the gallery before. Close the body first.',
    );
    expect(gallery('<body><!-- </main> --><main></main><select><option></select></body>')).toContain('<figure>');
  });
});

describe('what comes into a head', () => {
  const head = (inside: string) => `<html>\n<head>\n${inside}</head>\n<body></body>\n</html>`;
  const stylesheet = (html: string) => done(html, (page) => insertStylesheet(page, 'x.css'));
  const X = '<link rel="stylesheet" href="x.css">';

  it('a stylesheet behind the last, or behind all', () => {
    const a = '\t<LINK REL="Alternate Stylesheet" href="a.css">\n';
    const icon = '  <link rel="icon" href="i.png">\n';
    expect(stylesheet(head(`${a}${icon}`))).toBe(head(`${a}\t${X}\n${icon}`));
    expect(stylesheet(head(icon))).toBe(head(`${icon}  ${X}\n`));
    expect(stylesheet('<html>\n<head></head>\n<body></body></html>')).toBe(
      `<html>\n<head>\n  ${X}</head>\n<body></body></html>`,
    );
    expect(stylesheet(head(a).replaceAll('\n', '\r\n'))).toBe(head(`${a}\t${X}\n`).replaceAll('\n', '\r\n'));
    expect(stylesheet('<body></body>')).toBeNull();
  });

  it.each([
    ['behind its last element, where the head has no tags', '<!doctype html>\n<title>x</title>', '\n<p>One</p>\n'],
    ['behind the tag of the page', '<!DOCTYPE html>\n<html lang="en">', '\n<body>\n<p>One</p>\n'],
    ['behind the doctype', '<!-- May -->\n<!DOCTYPE html>', '\n<h1>x</h1>\n'],
    ['and behind a title of a page without doctype', '<TITLE>x</TITLE>', '<BODY>x'],
  ])('%s', (_, before, behind) => {
    const indent = /title>$/i.test(before) ? '' : '  ';
    expect(stylesheet(before + behind)).toBe(`${before}\n${indent}${X}${behind}`);
  });

  it('a script that waits behind the last, or before another and as it does', () => {
    const script = (html: string, before = false) =>
      done(html, (page) => insertScript(page, 'x.js', before ? the(page, 'script') : null));
    const own = (attributes: string) => `  <script src="a.js"${attributes}></script>\n`;
    const waits = '  <script src="x.js" defer></script>\n';
    expect(script(head(`${own('')}  <meta>\n`))).toBe(head(`${own('')}${waits}  <meta>\n`));
    expect(script(head(own(' defer')), true)).toBe(head(`${waits}${own(' defer')}`));
    expect(script(head(own(' type="module"')), true)).toBe(head(`${waits}${own(' type="module"')}`));
    expect(script(head(own('')), true)).toBe(head(`  <script src="x.js"></script>\n${own('')}`));
    expect(scriptTag('a"b.js')).toBe('<script src="a&quot;b.js"></script>');
    for (const [attributes, waits] of [
      [' defer', true],
      [' type="module"', true],
      [' type="text/x"', false],
      ['', false],
    ] as const)
      expect(isDeferred(the(parsePage(own(attributes)), 'script'))).toBe(waits);
  });
});

describe('what comes beside an element or at the end', () => {
  it('on a line of its own, as far in', () => {
    const html = '<div>\n    <p>x</p>\n</div>';
    expect(done(html, (page) => insertBeside(page, the(page, 'p'), '<b></b>', 'before'))).toBe(
      '<div>\n    <b></b>\n    <p>x</p>\n</div>',
    );
    expect(done(html, (page) => insertBeside(page, the(page, 'p'), '<b></b>', 'after'))).toBe(
      '<div>\n    <p>x</p>\n    <b></b>\n</div>',
    );
  });

  it.each([
    ['<body>\n  <p>x</p>\n</body>', '<body>\n  <p>x</p>\n  <b></b>\n</body>'],
    ['<body>\n</body>', '<body>\n<b></b>\n</body>'],
    ['<body><p>x</p></body>', '<body><p>x</p>\n<b></b>\n</body>'],
    ['<html><p>x</p>\n</html>', '<html><p>x</p>\n<b></b>\n</html>'],
    ['<p>x</p>', '<p>x</p>\n<b></b>\n'],
    ['  <p>x</p>\r\n', '  <p>x</p>\r\n  <b></b>\r\n'],
    ['<body>\n<i></i>\n</body>\n  <p>late</p>', '<body>\n<i></i>\n<b></b>\n</body>\n  <p>late</p>'],
  ])('%j', (html, expected) => expect(done(html, (page) => insertAtEnd(page, '<b></b>'))).toBe(expected));

  it('indentation is that of the line', () => {
    const page = parsePage('<div>\n \t<p>x</p> <b></b></div>');
    expect([indentOf(page, the(page, 'p')), indentOf(page, the(page, 'b')), indentOf(page, undefined)]).toEqual([
      ' \t',
      ' \t',
      '',
    ]);
    expect([newlineOf(parsePage('a\r\nb')), newlineOf(parsePage('a\nb'))]).toEqual(['\r\n', '\n']);
  });

  it('the title, for lists', () => {
    expect(titleOf(parsePage('<title> A &amp; b </title>'))).toBe('A & b');
    expect([titleOf(parsePage('<title> </title>')), titleOf(parsePage('<h1>x</h1>'))]).toEqual([null, null]);
  });
});

describe('a link', () => {
  const link = (html: string, words: string, href = 'x"y') => {
    const page = parsePage(html);
    const start = html.indexOf(words);
    return textAfter(page, setLink(page, { start, end: start + words.length }, href));
  };

  it.each([
    ['<p>one two</p>', 'two', '<p>one <a href="x&quot;y">two</a></p>'],
    ['<p>one two </p>', ' two ', '<p>one <a href="x&quot;y">two</a> </p>'],
    ['<p><a href="a"><b>one</b></a></p>', 'one', '<p><a href="x&quot;y"><b>one</b></a></p>'],
    ['<p><a>one</a></p>', '<a>one</a>', '<p><a href="x&quot;y">one</a></p>'],
    ['<p>one <b>two</b></p>', '<b>two</b>', '<p>one <a href="x&quot;y"><b>two</b></a></p>'],
    ['<p>one </p>', ' ', 'There is no link here. Choose the words that shall lead there, then link them.'],
    [
      '<p>one <b>two</b> three</p>',
      'one <b>two',
      'These words begin in one element and end in another; choose words inside of one element.',
    ],
    [
      '<p>one <b>two</b> three</p>',
      'two</b> three',
      'These words begin in one element and end in another; choose words inside of one element.',
    ],
    ['<p>one</p><p>two</p>', '<p>one</p><p>two</p>', '<a href="x&quot;y"><p>one</p><p>two</p></a>'],
    [
      '<table><tr><td>one</td></tr></table>',
      '<td>one</td>',
      'The change was not made: a link cannot stand there; choose words inside of one element, outside of tags and other links.',
    ],
    [
      '<p>one <a href="b">two</a> three</p>',
      'one <a href="b">two</a> three',
      'The change was not made: a link cannot stand there; choose words inside of one element, outside of tags and other links.',
    ],
    [
      '<p class="one">two</p>',
      'one',
      'The change was not made: a link cannot stand there; choose words inside of one element, outside of tags and other links.',
    ],
  ])('%s, %s', (html, words, expected) => expect(link(html, words)).toBe(expected));

  it('is taken away, its words stay', () => {
    const page = parsePage('<p><a href="x">one</a></p>');
    expect(textAfter(page, { ok: true, edits: unlinked(the(page, 'a')) ?? [] })).toBe('<p>one</p>');
    expect(unlinked(the(parsePage('<a href="x">one'), 'a'))).toBeNull();
  });
});

describe('a tag rewritten', () => {
  const rewritten = (html: string, wishes: [string, string | null][]) => {
    const page = parsePage(html);
    return textAfter(page, { ok: true, edits: rewriteTag(the(page, 'b'), new Map(wishes), html) });
  };

  it.each<[string, [string, string | null][], string]>([
    [
      '<b a="1" c="2">x</b>',
      [
        ['a', null],
        ['d', '4'],
      ],
      '<b d="4" c="2">x</b>',
    ],
    [
      '<b a="1" c="2">x</b>',
      [
        ['a', null],
        ['c', null],
        ['d', '4'],
      ],
      '<b d="4">x</b>',
    ],
    [
      '<b a="1">x</b>',
      [
        ['a', null],
        ['d', ''],
        ['e', '5'],
      ],
      '<b d e="5">x</b>',
    ],
    [
      '<b a="1">x</b>',
      [
        ['d', '4'],
        ['e', '"'],
      ],
      '<b a="1" d="4" e="&quot;">x</b>',
    ],
    [
      '<b a="1">x</b>',
      [
        ['a', '2'],
        ['z', null],
      ],
      '<b a="2">x</b>',
    ],
    ['<b a="1">x</b>', [['a', '1']], '<b a="1">x</b>'],
    [
      '<b>x</b>',
      [
        ['d', '4'],
        ['e', ''],
      ],
      '<b d="4" e>x</b>',
    ],
    [
      '<b a="1"c>x</b>',
      [
        ['c', null],
        ['d', '4'],
        ['e', '5'],
      ],
      '<b a="1"d="4" e="5">x</b>',
    ],
  ])('%s with %j', (html, wishes, expected) => expect(rewritten(html, wishes)).toBe(expected));

  it.each([
    ['<b class=" one  two ">', ['three'], [], 'one two three'],
    ['<b class=" one  two ">', ['one'], ['three'], ' one  two '],
    ['<b class="one two">', [], ['one'], 'two'],
    ['<b class="one">', [], ['one'], null],
    ['<b class="one">', ['two'], ['one'], 'two'],
    ['<b class="one">', ['one'], ['one'], 'one'],
    ['<b>', ['one'], [], 'one'],
    ['<b>', [], [], ''],
  ] as const)('%s with %j, without %j', (html, add, remove, value) => {
    expect(classValue(the(parsePage(html), 'b'), add, remove)).toBe(value);
  });
});

describe('an outcome', () => {
  const page = parsePage('<p a="1" b="2">x</p><i></i>');
  const edit = (start: number, end: number, text: string): Edit => ({ start, end, text });

  it('is read again before it is given', () => {
    const edits = [edit(0, 0, '<b></b>')];
    expect(verified(page, edits, () => null)).toEqual({ ok: true, edits });
    expect(verified(page, edits, () => 'no')).toEqual({ ok: false, reason: 'The change was not made: no.' });
    expect(verified(page, [edit(0, 999, '')], () => null)).toMatchObject({ ok: false });
    expect(verifiedSameShape(page, edits, 1)).toMatchObject({ ok: true });
    expect(verifiedSameShape(page, edits)).toEqual({
      ok: false,
      reason: 'The change was not made: other elements would appear or vanish.',
    });
  });

  it.each<[string, [number, [string, string | null][]][], string | null]>([
    ['<p a="1" b="2">x</p><i></i>', [], null],
    ['<p a="1" b="2">x</p><i></i><u></u>', [], 'other elements would appear or vanish'],
    ['<p a="1" b="2">x</p><u></u>', [], '<i> would become something else'],
    ['<p a="1">x</p><i></i>', [], 'the attributes of <p> would change'],
    ['<p a="1" b="3">x</p><i></i>', [], 'b of <p> would change'],
    ['<p a="1" c="2">x</p><i></i>', [], 'c of <p> would change'],
    ['<p a="1" b="3">x</p><i></i>', [[3, [['b', '3']]]], null],
    ['<p b="2">x</p><i></i>', [[3, [['a', null]]]], null],
    ['<p a="1" b="2">x</p><i c="d"></i>', [[4, [['c', 'd']]]], null],
    ['<p a="1" b="2">x</p><i></i>', [[4, [['c', 'd']]]], 'the attributes of <i> would change'],
  ])('%s differs by %j: %s', (after, wishes, reason) => {
    const wanted = new Map(wishes.map(([n, wish]) => [n, new Map(wish)]));
    expect(sameBut(page, parsePage(after), wanted)).toBe(reason);
  });
});
