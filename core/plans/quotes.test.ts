/** Quotes of attributes that are written into a page, as its author writes them. */
import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';
import { singleQuoted } from './quotes.ts';

const single = (text: string) => text.replaceAll('"', "'");
const PAGE = listPage(['a', 'b', 'c'].map((name) => linked(name)));

describe('a page in single quotes', () => {
  const asks = (page: string) =>
    asked(siteOf({ 'index.html': page, 'kites.css': '', ...PICTURES }), {
      kind: 'set-stylesheet',
      pages: ['index.html'],
      stylesheet: 'kites.css',
      on: true,
    });

  it('gets what is written in single quotes, and others in double ones', () => {
    const written = asks(single(PAGE));
    expect(written).toMatchObject({
      files: { 'index.html': expect.stringContaining("<link rel='stylesheet' href='kites.css'>") },
    });
    expect(JSON.stringify(written)).not.toContain('\\"');
    for (const page of [PAGE, single(PAGE).replace("'t/a.jpg'", '"t/a.jpg"'), '<!DOCTYPE html><head></head>'])
      expect(asks(page)).toMatchObject({
        files: { 'index.html': expect.stringContaining('<link rel="stylesheet" href="kites.css">') },
      });
  });
});

describe('what is written in single quotes', () => {
  it.each([
    [' data-x data-y="z"', " data-x data-y='z'"],
    [' title="it’s"', " title='it’s'"],
    [` title="it's"`, ` title="it's"`],
    ['<a href="b.jpg" title="x &quot;y&quot;">B</a>', "<a href='b.jpg' title='x &quot;y&quot;'>B</a>"],
    ['<img src="b.jpg" alt=\'c "d"\' hidden>', "<img src='b.jpg' alt='c \"d\"' hidden>"],
    ['<a data-x=\'[ b="c" ]\' href="d">', "<a data-x='[ b=\"c\" ]' href='d'>"],
    ['<script src="k.js"></script>', "<script src='k.js'></script>"],
    ['<script>write(`<b class="x">`)</script>', '<script>write(`<b class="x">`)</script>'],
    // Words, and addresses by themselves.
    ['say a="b" or <b>c="d"</b>', 'say a="b" or <b>c="d"</b>'],
    ['l/b.jpg', 'l/b.jpg'],
    ['"', '"'],
    [' a="b" and more words', ' a="b" and more words'],
  ])('%s', (text, written) => expect(singleQuoted(text)).toBe(written));
});
