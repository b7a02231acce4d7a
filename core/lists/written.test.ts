import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTable } from './table.ts';
import { LIST_COLUMNS, LIST_FORMATS, type ListRow, writeList } from './written.ts';
import { proposedMapping } from './mapping.ts';

const row = (picture: string, more: Partial<ListRow> = {}): ListRow => ({
  picture,
  thumbnail: `t/${picture}`,
  title: '',
  alt: '',
  caption: '',
  tags: '',
  ...more,
});

const ODD = [
  row('a b.jpg', { title: 'One, “two”', alt: 'A <kite> & its "tail"', caption: '*Not* _marked_ [up](x) `here` #1' }),
  row('ü(1).jpg', { alt: '=1+1', caption: '1. <b>&amp;</b> | ;', tags: 'red, tall' }),
  row('c.jpg', { thumbnail: '', title: "It's", alt: '', caption: 'Ends with \\' }),
];

const KEPT: Record<string, readonly (keyof ListRow)[]> = {
  // Markdown has no place for tags.
  md: LIST_COLUMNS.filter((name) => name !== 'tags'),
};

const readBack = (format: string, rows: readonly ListRow[]) => {
  const read = readTable(`list.${format}`, writeList(format as 'csv', rows));
  if (!read.ok) throw new Error(read.reason);
  return read.table;
};

/** What a spreadsheet would compute comes out quoted by an apostrophe. */
const unquoted = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, '');

describe('a gallery written out as a list', () => {
  it.each(LIST_FORMATS)('is read back as %s with every word, however odd', (format) => {
    const columns = KEPT[format] ?? LIST_COLUMNS;
    const { rows } = readBack(format, ODD);
    expect(rows.map((one) => columns.map((name) => unquoted(one[name] ?? '')))).toEqual(
      ODD.map((one) => columns.map((name) => one[name])),
    );
  });

  it.each(LIST_FORMATS)('has its columns known again as %s', (format) => {
    expect(proposedMapping(readBack(format, ODD))).toMatchObject({
      full: 'picture',
      thumbnail: 'thumbnail',
      title: 'title',
      alt: 'alt',
      caption: 'caption',
    });
  });

  it.each(LIST_FORMATS)('is a list of one as %s', (format) => {
    const [only] = readBack(format, ODD.slice(0, 1)).rows;
    expect(only?.picture).toBe('a b.jpg');
  });

  it('is read back in Markdown whatever its words are', () => {
    const word = fc.string({ maxLength: 12 }).map((text) => text.replace(/[\s\p{Cc}]+/gu, ' ').trim());
    fc.assert(
      fc.property(word, word, fc.stringMatching(/^[a-z][\w é()[\]&-]{0,8}$/), (alt, caption, name) => {
        // Signs between a picture and its words are the list's own.
        fc.pre(!/^[\s:;,.–—-]/.test(caption));
        const picture = `${name.trim()}.jpg`;
        expect(readBack('md', [row(picture, { alt, caption })]).rows[0]).toMatchObject({ picture, alt, caption });
      }),
      { numRuns: 300 },
    );
  });
});

describe('a list in Markdown', () => {
  const rows = (text: string) => {
    const read = readTable('list.md', text);
    return read.ok ? read.table.rows : read.reason;
  };

  it('is a link, a picture, or one around the other, with what stands behind it', () => {
    const text = [
      '# Kites',
      '',
      '* [Delta](photos/delta.jpg) — over the mere',
      '* ![A box kite](photos/box.jpg "Box") red and *tall*',
      '* [![Eye](small/eye.jpg)](large/eye.jpg)',
      '  Seen twice',
      '* no picture',
      '',
    ].join('\r\n');
    expect(rows(text)).toEqual([
      { picture: 'photos/delta.jpg', thumbnail: '', title: 'Delta', alt: '', caption: 'over the mere' },
      { picture: 'photos/box.jpg', thumbnail: '', title: 'Box', alt: 'A box kite', caption: 'red and tall' },
      { picture: 'large/eye.jpg', thumbnail: 'small/eye.jpg', title: '', alt: 'Eye', caption: 'Seen twice' },
    ]);
  });

  it('may be paragraphs; without a picture it is none', () => {
    expect(rows('![a](a.jpg)\n\n![b](b.jpg)')).toHaveLength(2);
    expect(rows('- one\n- two')).toContain('There is no list in it');
  });
});
