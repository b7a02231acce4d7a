import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { viewOf } from '../view/index.ts';
import { asked, linked, listPage, PICTURES, SIEVE, siteOf } from './asked.fixture.ts';

/** Items a, b and c, each with what stands in its `li`; the list is marked, or not. */
const page = (items: Readonly<Record<string, string>>, mark = ' data-sift') =>
  listPage(Object.keys(items).map((name) => linked(name)))
    .replace('<ul>', `<ul${mark}>`)
    .replaceAll(/<li><a href="(\w)\.jpg"/g, (all, name: string) => all.replace('<li>', `<li${items[name] ?? ''}>`));

const site = (pages: Record<string, string>, tags: Record<string, string[]> = {}) =>
  siteOf({ ...PICTURES, ...pages }, { kits: [SIEVE], notes: { tags } });

const filesAfter = (of: ReturnType<typeof site>, add: string[], remove: string[] = [], paths = ['a.jpg']) => {
  const done = asked(of, { kind: 'set-tags', paths, add, remove });
  return typeof done === 'string' ? done : done.files;
};

describe('tags that visitors choose by', () => {
  it('are written into the items of every page where they can, and nowhere else', () => {
    const before = { a: '', b: ' data-is="old"', c: '' };
    const of = site({ 'p.html': page(before), 'q.html': page(before, '').replace(' data-is="old"', '') });
    expect(filesAfter(of, ['moor'])).toEqual({ 'p.html': page({ ...before, a: ' data-is="moor"' }) });
  });

  it('keep what the author has written, in their order and with their commas', () => {
    const before = { a: " class=x data-is='sky,old'", b: '', c: '' };
    expect(filesAfter(site({ 'p.html': page(before) }), ['moor'], ['old'])).toEqual({
      'p.html': page({ ...before, a: " class=x data-is='sky,moor'" }),
    });
  });

  it('go with their attribute where none is left', () => {
    const of = site({ 'p.html': page({ a: ' data-is="old"', b: '', c: '' }) }, { A: ['old'] });
    expect(filesAfter(of, [], ['old'])).toEqual({ 'p.html': page({ a: '', b: '', c: '' }) });
  });

  it('are those of a picture wherever it is said', () => {
    const { pairs } = viewOf(site({ 'p.html': page({ a: ' data-is="sky, moor"', b: '', c: '' }) }, { A: ['red'] }));
    expect(pairs.find(({ full }) => full === 'a.jpg')?.tags).toEqual(['red', 'sky', 'moor']);
  });

  it('that a page does not say are a finding, and written by its fix', () => {
    const of = site({ 'p.html': page({ a: ' data-is="sky"', b: '', c: '' }) }, { A: ['red'], B: ['blue'] });
    const [finding] = findingsOf(of).filter(({ rule }) => rule === 'tags-unlike');
    expect(finding?.says).toBe('2 pictures on p.html lack a tag: a.jpg is “red”.');
    expect(asked(of, { kind: 'fix', finding: finding?.id ?? '', fix: 0 })).toMatchObject({
      files: { 'p.html': page({ a: ' data-is="sky, red"', b: ' data-is="blue"', c: '' }) },
    });
  });
});

describe('tags by a rule', () => {
  const facts = {
    A: { takenAt: '2026-06-20T09:13:00', keywords: ['Kite, red', 'sky'] },
    B: { takenAt: '2025-12-01' },
    C: { words: { caption: 'A long line over the moor' } },
  };
  const files = {
    'fest/large/a.jpg': 'A',
    'fest/build/b.jpg': 'B',
    'photos/large/c.jpg': 'C',
    'index.html': listPage([linked('a', '', 'fest/large/'), linked('b', '', 'fest/build/')]),
  };
  const paths = ['fest/large/a.jpg', 'fest/build/b.jpg', 'photos/large/c.jpg'];
  const ruled = (wish: object) => {
    const done = asked(siteOf(files, { facts }), { kind: 'tag-by-rule', paths, said: null, ...wish } as never);
    return typeof done === 'string' ? done : { label: done.label, tags: done.notes.tags };
  };

  it.each([
    [{ rule: 'folder' }, 'Tag 2 pictures by folder', { A: ['fest'], B: ['build'] }],
    [{ rule: 'year' }, 'Tag 2 pictures by year', { A: ['2026'], B: ['2025'] }],
    [{ rule: 'month' }, 'Tag 2 pictures by month', { A: ['2026-06'], B: ['2025-12'] }],
    [{ rule: 'keywords' }, 'Tag 1 picture by keywords', { A: ['Kite red', 'sky'] }],
    [{ rule: 'text', said: { text: 'MOOR', tag: 'moor' } }, 'Tag 1 picture by text', { C: ['moor'] }],
  ])('%j', (wish, label, tags) => expect(ruled(wish)).toEqual({ label, tags }));

  it('says where it gives none, or was not said in full', () => {
    expect(ruled({ rule: 'text', said: { text: 'sea', tag: 'sea' } })).toBe('None of these pictures says that.');
    expect(ruled({ rule: 'text' })).toBe('Say what the text has to hold, and which tag it gives.');
  });

  it('are said by new items at once, in the author’s manner', () => {
    const before = page({ a: ' data-is="red"', b: ' data-is="tall"' });
    const tagged = siteOf(
      { ...PICTURES, 'p.html': before },
      { kits: [SIEVE], notes: { tags: { C: ['red', 'a & b'] } } },
    );
    const pictures = [{ thumbnail: 't/c.jpg', full: 'c.jpg', title: '', alt: 'c', caption: '' }];
    const add = { kind: 'add-pictures', page: 'p.html', gallery: 0, pictures } as const;
    const fresh = ' data-is="red, a &amp; b"';
    expect(asked(tagged, { ...add, pictures: [...pictures] })).toMatchObject({
      files: { 'p.html': page({ a: ' data-is="red"', b: ' data-is="tall"', c: fresh }) },
    });
    const at = { by: 'offset', offset: before.indexOf('<a href="a.jpg"') } as const;
    expect(asked(tagged, { kind: 'put-pictures', page: 'p.html', at, pictures: [...pictures] })).toMatchObject({
      files: { 'p.html': page({ c: fresh, a: ' data-is="red"', b: ' data-is="tall"' }) },
    });
  });
});
