/** Pictures that come into a site that is there. */
import { describe, expect, it } from 'vitest';
import { importPictures, type IncomingPicture } from '../../core/plans/index.ts';
import type { FileContent, SiteFiles } from '../../core/site/index.ts';
import { read } from './sites.ts';

const binary = (hash: string): FileContent => ({ kind: 'binary', hash, bytes: 10 });
const item = (n: string, folder: string) => `<a href="${folder}/${n}.jpg"><img src="small/${n}.jpg" alt="${n}"></a>`;
const files: SiteFiles = new Map<string, FileContent>([
  [
    'days/spring.html',
    {
      kind: 'text',
      text: `<title>Spring</title><div>${item('a', 'large')}${item('b', 'large')}${item('c', '../more')}</div>`,
    },
  ],
  ['empty.html', { kind: 'text', text: '<title>Empty</title><p>Nothing yet.</p>' }],
  ...['a', 'b'].map((n): [string, FileContent] => [`days/large/${n}.jpg`, binary(`large-${n}`)]),
  ...['a', 'b', 'c'].map((n): [string, FileContent] => [`days/small/${n}.jpg`, binary(`small-${n}`)]),
  ['more/c.jpg', binary('large-c')],
]);
const incoming = (name: string, hash = `hash of ${name}`): IncomingPicture => ({ name, hash, bytes: 20 });
const taken = (
  pictures: IncomingPicture[],
  beside: Parameters<typeof importPictures>[2] = { page: 'days/spring.html', gallery: 0 },
) => importPictures(read(files), pictures, beside);

describe('pictures that come in', () => {
  it('go where most full-size pictures of the gallery are, under their own names', () => {
    expect(taken([incoming('Moor.jpg'), incoming('sky.webp')])).toMatchObject({
      paths: ['days/large/Moor.jpg', 'days/large/sky.webp'],
      planned: { ok: true, change: { label: 'Import 2 pictures' } },
    });
  });

  it('go where the site has its pictures, of a page without any, and else into a folder of their own', () => {
    expect(taken([incoming('moor.jpg')], { page: 'empty.html', gallery: null }).paths).toEqual(['days/large/moor.jpg']);
    expect(
      importPictures(read(new Map([['empty.html', files.get('empty.html')!]])), [incoming('moor.jpg')], null).paths,
    ).toEqual(['pictures/moor.jpg']);
  });

  it('never take the place of another, also not by capitals alone, nor of one another', () => {
    const { planned, paths } = taken([incoming('a.jpg'), incoming('A.JPG', 'another'), incoming('a.jpg', 'a third')]);
    expect(paths).toEqual(['days/large/a-2.jpg', 'days/large/A-3.JPG', 'days/large/a-4.jpg']);
    expect(planned.ok && planned.change.files.every((file) => file.kind === 'put' && file.before === null)).toBe(true);
  });

  it('that are there already stay where they are', () => {
    expect(taken([incoming('copy of c.jpg', 'large-c')])).toEqual({
      paths: ['more/c.jpg'],
      planned: { ok: true, change: { label: 'These pictures are in the site already', files: [] } },
    });
    expect(taken([incoming('one.jpg', 'same'), incoming('two.jpg', 'same')]).paths).toEqual([
      'days/large/one.jpg',
      'days/large/one.jpg',
    ]);
  });

  it.each([
    ['notes.txt', /no picture that a page can show/],
    ['../../evil.jpg', /cannot be imported/],
    ['con\u0000.jpg', /cannot be imported/],
  ])('refuse the whole where one is %s', (name, reason) => {
    expect(taken([incoming('moor.jpg'), incoming(name)])).toMatchObject({
      paths: [],
      planned: { ok: false, reason: expect.stringMatching(reason) as string },
    });
  });
});
