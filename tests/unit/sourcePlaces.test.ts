/** Renames on pages whose source is not what a browser reads: other line breaks, entities, both. */
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { parsePage, sourcePlaces } from '../../core/markup/index.ts';
import { renameFile } from '../../core/model/index.ts';
import { applyChange } from '../../core/site/index.ts';
import { read, siteOf, textAt } from './sites.ts';

const IMAGE = 'img/a.jpg';
const MADE = 'img/new-name.jpg';

/** Each construct that can name a file, with something before it that is longer in the source than as it is read. */
const CONSTRUCTS: Record<string, string> = {
  script: '<script>\n// first\n\nvar all = ["img/a.jpg"];\n</script>',
  'style element': '<style>\nh1 { color: red }\n\nh2 { background: url(img/a.jpg) }\n</style>',
  'style attribute': '<p style="color: red;\n  background: url(img/a.jpg)">x</p>',
  'style attribute with quotes':
    '<p style="font-family: &quot;A&quot;;\n background: url(&quot;img/a.jpg&quot;)">x</p>',
  'srcset on several lines': '<img src="img/b.jpg" srcset="img/b.jpg 1x,\n  img/a.jpg 2x" alt="">',
  'srcset after an entity': '<img src="img/b.jpg" srcset="img/b&amp;c.jpg 1x, img/a.jpg 2x" alt="">',
  'srcset after an entity without its semicolon':
    '<img src="img/b.jpg" srcset="img/b&copy .jpg 1x, img/a.jpg 2x" alt="">',
  link: '<a href="img/a.jpg">x</a>',
  'link with a query': '<a href="img/a.jpg?x=1&amp;y=2">x</a>',
  'link written in entities': '<a href="img&#47;a&period;jpg">x</a>',
  'two pictures behind one element': '<p style="background: url(img/b.jpg),\n  url(img/a.jpg), url(img/a.jpg)">x</p>',
};

const page = (body: string, lineBreak: string): string =>
  `\uFEFF<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>t</title>\n</head>\n<body>\n${body}\n</body>\n</html>\n`.replaceAll(
    '\n',
    lineBreak,
  );

describe.each([
  ['LF', '\n'],
  ['CRLF', '\r\n'],
  ['CR', '\r'],
])('a rename on a page with %s', (_name, lineBreak) => {
  it.each(Object.entries(CONSTRUCTS))('%s', (_construct, body) => {
    const written = page(body, lineBreak);
    const files = siteOf({ 'index.html': written, [IMAGE]: '', 'img/b.jpg': '' });
    const applied = applyChange(files, renameFile(read(files), IMAGE, MADE));
    if (!applied.ok) throw new Error(applied.reason);
    const plain = written.replace('img&#47;a&period;jpg', IMAGE);
    expect(textAt(applied.files, 'index.html')).toBe(plain.replaceAll(IMAGE, MADE));
  });
});

describe('places in the source', () => {
  // WHATWG HTML §13.2.5.72 to 13.2.5.84: character references in attributes; parse5 is the reference.
  const piece = fc.constantFrom(
    'a',
    ' ',
    '\n',
    '\r',
    '\r\n',
    '&amp;',
    '&amp',
    '&copy;',
    '&copy=',
    '&copy ',
    '&#65;',
    '&#x1F600;',
    '&notit;',
    '&NotEqualTilde;',
    '&',
    '&#;',
    '&nbsp;',
    'é',
    '😀',
    '&unknown;',
    '\0',
  );

  it('give back what a browser reads, character by character', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
        const text = `<p title="${pieces.join('')}">`;
        const attribute = parsePage(text).elements.find(({ tag }) => tag === 'p')?.attributes[0];
        if (!attribute) throw new Error(`no attribute in ${text}`);
        const { value, valueRange } = attribute;
        const places = sourcePlaces(text, valueRange, value, 'entities');
        if (!places) throw new Error(`no places in ${text}`);
        expect([places(0), places(value.length)]).toEqual([valueRange.start, valueRange.end]);
        for (let at = 0; at < value.length; at++) {
          const here = text.slice(places(at), places(at + 1));
          // The second half of a pair, or of an entity with two letters, stands where the first does.
          const read =
            parsePage(`<p title="${here}">`).elements.find(({ tag }) => tag === 'p')?.attributes[0]?.value ?? '';
          if (here !== '') expect(read.endsWith(value[at] ?? '') || value.slice(at).startsWith(read)).toBe(true);
        }
      }),
    );
  });

  it('are not given where the value is not what the source says', () => {
    expect(sourcePlaces('<p title="a">', { start: 10, end: 11 }, 'b', 'entities')).toBeNull();
  });
});
