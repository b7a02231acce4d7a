import { describe, expect, it } from 'vitest';
import { nameByPattern, PathIndex, tidyName } from '../site/index.ts';
import { mappingFor, picturesOf, proposedMapping } from './mapping.ts';
import { readCsv, readTable, writeCsv, type Table } from './table.ts';
import { wordsFrom, wordsTable, WORDS_COLUMNS, type WordsRow } from './wordsList.ts';

const table = (path: string, text: string): Table => {
  const read = readTable(path, text);
  if (!read.ok) throw new Error(read.reason);
  return read.table;
};

const ROWS = [
  { image: 'a.jpg', title: 'One, two' },
  { image: 'b.jpg', title: 'Three "four"' },
];

describe('lists', () => {
  it.each([
    ['list.csv', 'image,title\r\na.jpg,"One, two"\r\nb.jpg,"Three ""four"""\r\n'],
    ['list.csv', '\ufeffimage;title\na.jpg;One, two\n\nb.jpg;"Three ""four"""\n'],
    ['list.tsv', 'image\ttitle\na.jpg\tOne, two\nb.jpg\t"Three ""four"""'],
    ['list.json', JSON.stringify(ROWS)],
    ['list.json', JSON.stringify({ gallery: { name: 'g', pictures: ROWS } })],
    [
      'list.xml',
      '<?xml version="1.0"?><g><p image="a.jpg" title="One, two"/><p image="b.jpg"><title>Three &quot;four&quot;</title></p></g>',
    ],
  ])('%s is read as one table: %s', (path, text) =>
    expect(table(path, text)).toEqual({ columns: ['image', 'title'], rows: ROWS }),
  );

  it.each([
    ['list.csv', '', 'There is no list in it'],
    ['list.json', '{"a": 1', 'It is not JSON'],
    ['list.json', '[1, 2]', 'There is no list in it'],
    ['list.xml', '<g><p>', 'It is not XML'],
    ['list.xml', '<!DOCTYPE g [<!ENTITY a "aaaa">]><g><p a="&a;"/><p a="b"/></g>', 'declares a document type'],
    ['list.csv', 'a,b\n"one,two\n', 'Line'],
    ['list.pdf', 'x', 'is none of'],
  ])('%s: %s says what is wrong', (path, text, says) => {
    const read = readTable(path, text);
    expect(read.ok ? 'it was read' : read.reason).toContain(says);
  });

  it('have their columns proposed by usual names, else by what stands in them; what was chosen is remembered', () => {
    const one = table('l.csv', 'Picture,Thumb,Heading,Alt text,Keywords\na.jpg,s.jpg,t,x,k\n');
    expect(proposedMapping(one)).toMatchObject({
      full: 'Picture',
      thumbnail: 'Thumb',
      title: 'Heading',
      alt: 'Alt text',
      tags: 'Keywords',
      caption: null,
    });
    const two = table('l.csv', 'no,which\n1,p/a.jpg\n2,p/b.jpg\n');
    expect(proposedMapping(two).full).toBe('which');
    const chosen = { ...proposedMapping(two), title: 'no' };
    expect(mappingFor(table('l.csv', 'which,no\nq.jpg,7\n'), [chosen])).toEqual(chosen);
  });

  it('stand for pictures: by path from the list, from the root, by name, or outside; what does not is said', () => {
    const index = new PathIndex([
      'data/list.csv',
      'l/a.jpg',
      's/a.jpg',
      'l/b.jpg',
      'l/c.jpg',
      'm/c.jpg',
      'data/near.jpg',
    ]);
    const list = table(
      'data/list.csv',
      'file,thumb,title,tags\n../l/a.jpg,,A,"x; y"\nl/a.jpg,,B,\nnear.jpg,,C,\na.jpg,s/a.jpg,D,\nhttps://pictures.example/e.jpg,s/a.jpg,E,\nhttps://pictures.example/f.jpg,,F,\nl/b.jpg,,G,\nz.jpg,,H,\nc.jpg,,I,\n,,J,\n#x,,K,\n',
    );
    const { pictures, troubles } = picturesOf(list, proposedMapping(list), 'data/list.csv', index, (full) =>
      full === 'l/b.jpg' ? null : `s/${full.replace(/^.*\//, '')}`,
    );
    expect(pictures.map(({ title, full, thumbnail, outside }) => [title, full, thumbnail, outside])).toEqual([
      ['A', 'l/a.jpg', 's/a.jpg', false],
      ['B', 'l/a.jpg', 's/a.jpg', false],
      ['C', 'data/near.jpg', 's/near.jpg', false],
      ['E', 'https://pictures.example/e.jpg', 's/a.jpg', true],
    ]);
    expect(pictures[0]).toMatchObject({ tags: ['x', 'y'], alt: 'A', caption: 'A' });
    expect(troubles.map(({ row, says }) => ({ row, says }))).toEqual([
      { row: 4, says: expect.stringContaining('2 files are called a.jpg') },
      { row: 6, says: expect.stringContaining('needs a thumbnail beside it') },
      { row: 7, says: expect.stringContaining('has no thumbnail yet') },
      { row: 8, says: 'there is no z.jpg in this site' },
      { row: 9, says: expect.stringContaining('2 files are called c.jpg') },
      { row: 10, says: 'nothing stands in “file”' },
      { row: 11, says: expect.stringContaining('is no path') },
    ]);
    // Which picture is meant is known of those that only lack something.
    expect(troubles.flatMap(({ full }) => full ?? [])).toEqual(['https://pictures.example/f.jpg', 'l/b.jpg']);
  });
});

describe('words as a list', () => {
  const row = (part: Partial<WordsRow>): WordsRow => ({
    strand: 'index.html#0.0',
    page: 'index.html',
    file: 'l/a.jpg',
    alt: 'a',
    altLacks: null,
    title: 'A',
    caption: 'A',
    credit: '',
    copyright: '',
    taken: '',
    ...part,
  });
  const rows = [
    row({}),
    row({ strand: 'index.html#0.1', alt: null }),
    row({ strand: null, page: '', file: 'l/b.jpg', alt: '=SUM(1)' }),
    row({ strand: 'p.html#0.0', page: 'p.html', caption: null }),
  ];

  it('comes in as it went out, and nothing is changed', () => {
    const read = readCsv(writeCsv(WORDS_COLUMNS, wordsTable(rows)));
    expect(read.ok && wordsFrom(read.table, rows)).toEqual({ changes: [], troubles: [] });
  });

  it('is safe in a spreadsheet: what would be computed stands behind an apostrophe', () =>
    expect(writeCsv(WORDS_COLUMNS, wordsTable(rows))).toContain(`"'=SUM(1)"`));

  it('changes what is other, in order where a file stands twice, and says what has no place', () => {
    const list = table(
      'w.csv',
      'page,file,alt,caption,copyright\nindex.html,l/a.jpg,first,A,\nindex.html,l/a.jpg,second,A,©\nindex.html,l/a.jpg,third,A,\n,l/b.jpg,b,B,\np.html,l/a.jpg,a,new,\nq.html,x.jpg,x,,\n',
    );
    const read = wordsFrom(list, rows);
    if ('reason' in read) throw new Error(read.reason);
    expect(read.changes.map(({ row: { strand, file }, words }) => [strand ?? file, words])).toEqual([
      ['index.html#0.0', { alt: 'first' }],
      ['index.html#0.1', { alt: 'second', copyright: '©' }],
      ['l/b.jpg', { alt: 'b', caption: 'B' }],
    ]);
    expect(read.troubles).toEqual([
      { row: 3, says: 'l/a.jpg is not on index.html' },
      { row: 5, says: 'l/a.jpg on p.html has no element for a caption' },
      { row: 6, says: 'x.jpg is not on q.html' },
    ]);
    expect(wordsFrom(table('w.csv', 'name,alt\nx,y\n'), rows)).toEqual({
      reason: expect.stringContaining('no column “file”'),
    });
  });
});

describe('names by a pattern', () => {
  const parts = { name: 'Kite 1', number: 7, takenAt: '2026-06-14T10:00:00' };

  it.each([
    ['{name}', 'Kite 1'],
    ['{number}-{name}', '7-Kite 1'],
    ['{date}_{number:3}', '2026-06-14_007'],
  ])('%s gives %s', (pattern, name) => expect(nameByPattern(pattern, parts)).toEqual({ ok: true, name }));

  it.each([
    ['{size}', 'is not known'],
    ['a/{name}', 'cannot have'],
    ['   ', 'gives no name'],
    ['{name', 'is not known'],
  ])('%s says what is wrong', (pattern, says) => {
    const named = nameByPattern(pattern, parts);
    expect(named.ok ? named.name : named.reason).toContain(says);
  });

  it.each([
    ['Kite Festival 2026', 'kite-festival-2026'],
    ['Mère & Père', 'mere-pere'],
    ['  -x..y- ', 'x..y'],
    ['Straße (1)', 'strasse-1'],
    ['凧 1', '凧-1'],
  ])('%s is tidied to %s', (name, tidy) => expect(tidyName(name)).toBe(tidy));
});
