import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { type Difference } from '../lists/index.ts';
import { compareWithList, readSite } from '../model/index.ts';
import { applyChange, type FileContent, type ListSource, NOTES_FILE } from '../site/index.ts';
import { FACTS, listPage, siteOf } from './asked.fixture.ts';
import { allFiles } from './steps.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';

const NAMES = ['a', 'b', 'c', 'd', 'e'];
const FILES = Object.fromEntries(
  NAMES.flatMap((name) => [
    [`${name}.jpg`, name.toUpperCase()],
    [`thumbs/${name}.jpg`, `t${name}`],
  ]),
);
const FACTS_BY_HASH = new Map(
  NAMES.flatMap((name, n) => {
    // Pictures that are nothing like one another.
    const likeness = ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16);
    return [
      [name.toUpperCase(), { ...FACTS, likeness, width: 1200, height: 800, takenAt: `2026-0${6 - n}-01` }],
      [`t${name}`, { ...FACTS, likeness }],
    ];
  }),
);

/** As somebody writes who learnt it long ago. */
const item = (name: string, caption = `The ${name}`, alt = name) =>
  `<A HREF=${name}.jpg><IMG SRC=thumbs/${name}.jpg ALT="${alt}"></A> <P>${caption}</P>`;
const PAGE = listPage([item('a'), item('b'), item('c')]).replaceAll('\n', '\r\n');

const csv = (rows: readonly (readonly string[])[]) =>
  ['file,alt,caption,tags', ...rows.map((row) => row.map((cell) => `"${cell}"`).join(','))].join('\r\n');

const MAPPING = {
  columns: ['file', 'alt', 'caption', 'tags'],
  full: 'file',
  thumbnail: null,
  title: null,
  caption: 'caption',
  alt: 'alt',
  tags: 'tags',
};
const LIST: ListSource = { kind: 'list', path: 'kites.csv', mapping: MAPPING };

class Site {
  files: Map<string, FileContent>;

  constructor(more: Record<string, string> = {}) {
    this.files = allFiles(siteOf({ ...FILES, 'kites.html': PAGE, ...more }));
  }

  get reading() {
    return readSite(this.files, FACTS_BY_HASH, []);
  }

  plan(intent: Intent) {
    return planFor(this.reading, intent);
  }

  do(intent: Intent): string {
    const planned = this.plan(intent);
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(this.files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const back = applyChange(applied.files, applied.inverse);
    expect(back.ok && new Map(back.files)).toEqual(this.files);
    this.files = new Map(applied.files);
    return planned.change.label;
  }

  text(path = 'kites.html'): string {
    const content = this.files.get(path);
    return content?.kind === 'text' ? content.text : '';
  }

  write(path: string, text: string): void {
    this.files = new Map([...this.files, [path, { kind: 'text', text }]]);
  }

  compare(text: string, source: ListSource = LIST): Difference[] {
    const page = this.reading.pages.find(({ path }) => path === 'kites.html')!;
    return compareWithList(this.reading, { page, gallery: 0, source, text }, []).differences;
  }

  /** Takes all that the list says, and follows it from now on. */
  follow(text: string): string {
    const take = this.compare(text).map(({ id }) => id);
    return this.do({ ...wish(take), text });
  }

  news(): string[] {
    return findingsOf(this.reading).flatMap(({ rule, says }) => (rule === 'list-outdated' ? [says] : []));
  }

  takeNews(): void {
    const finding = findingsOf(this.reading).find(({ rule }) => rule === 'list-outdated');
    this.do({ kind: 'fix', finding: finding?.id ?? '', fix: 0 });
  }
}

const wish = (take: readonly string[], source: ListSource = LIST): Extract<Intent, { kind: 'follow-list' }> => ({
  kind: 'follow-list',
  page: 'kites.html',
  gallery: 0,
  source,
  text: null,
  take: [...take],
  keep: true,
  whole: false,
});

const FIRST = csv([
  ['b.jpg', 'b', 'The b', ''],
  ['d.jpg', 'Delta', 'A new one', 'red, tall'],
  ['a.jpg', 'An <a>', 'The a', ''],
]);

describe('a gallery that follows a list', () => {
  it('takes over what is wanted as one change, and keeps what the list does not name', () => {
    const site = new Site();
    expect(site.compare(FIRST).map(({ id }) => id)).toEqual(['added d.jpg', 'alt a.jpg', 'order']);
    expect(site.follow(FIRST)).toBe('Take 3 differences from kites.csv to kites.html');
    // What the list does not name stays behind what it stood behind.
    const items = [item('b'), item('c'), item('d', 'A new one', 'Delta'), item('a', 'The a', 'An <a>')];
    expect(site.text()).toBe(listPage(items).replaceAll('\n', '\r\n'));
    expect(site.text('kites.csv')).toBe(FIRST);
    expect(site.text(NOTES_FILE)).toContain('"tall"');
    expect(site.news()).toEqual([]);
  });

  it('says what has changed in the list, and takes that over alone', () => {
    const site = new Site();
    site.follow(FIRST);
    // Its author writes another alt text, and takes one off.
    const [before] = [site.text()];
    site.write('kites.html', before.replace('ALT="Delta"', 'ALT="My delta"'));
    expect(site.news()).toEqual([]);
    site.write(
      'kites.csv',
      csv([
        ['b.jpg', 'b', 'Another b', ''],
        ['d.jpg', 'Delta kite', 'A new one', 'red, tall'],
        ['e.jpg', 'Eye', '', ''],
      ]),
    );
    expect(site.news()).toEqual([
      'kites.html differs from kites.csv: 1 picture is new in it, 1 picture is gone from it, 1 text differs.',
    ]);
    site.takeNews();
    const items = [item('b', 'Another b'), item('c'), item('d', 'A new one', 'My delta'), item('e', '', 'Eye')];
    expect(site.text()).toBe(listPage(items).replaceAll('\n', '\r\n'));
    // What was changed by hand on both sides has been decided now.
    expect(site.news()).toEqual([]);
  });

  it('follows under other names, and ends with its page', () => {
    const site = new Site();
    site.follow(FIRST);
    site.do({ kind: 'rename', from: 'kites.csv', to: 'list/kites.csv' });
    site.do({ kind: 'rename', from: 'a.jpg', to: 'alpha.jpg' });
    site.do({ kind: 'rename', from: 'kites.html', to: 'index.html' });
    expect(site.news()).toEqual([expect.stringContaining('1 picture is gone from it')]);
    site.write('list/kites.csv', FIRST.replace('a.jpg', '../alpha.jpg'));
    expect(site.news()).toEqual([]);
    site.do({ kind: 'delete-page', path: 'index.html' });
    expect(site.text(NOTES_FILE)).not.toContain('alpha.jpg');
  });

  it('says what is wrong with its list, and can be let go', () => {
    const site = new Site();
    site.follow(FIRST);
    site.write('kites.csv', FIRST.replace('caption', 'words'));
    expect(site.news()).toEqual([
      'kites.html follows kites.csv: kites.csv has no column “caption” any more. Choose its columns again.',
    ]);
    expect(site.do({ kind: 'end-following', page: 'kites.html', path: 'kites.csv' })).toBe(
      'Let kites.html follow kites.csv no more',
    );
    expect(site.news()).toEqual([]);
  });

  it('is refused where the list has changed meanwhile', () => {
    const site = new Site({ 'kites.csv': FIRST });
    expect(site.plan(wish(['added x.jpg']))).toMatchObject({
      ok: false,
      reason: 'The list or the page has changed meanwhile. Look at the differences again.',
    });
  });

  it('takes another list over wholly: the last item goes when the new ones are there', () => {
    const site = new Site();
    site.follow(csv(['a', 'b', 'c'].map((name) => [`${name}.jpg`, name, `The ${name}`, ''])));
    site.write('kites.csv', csv(['d', 'e'].map((name) => [`${name}.jpg`, name, `The ${name}`, ''])));
    site.takeNews();
    expect(site.text()).toBe(listPage([item('d'), item('e')]).replaceAll('\n', '\r\n'));
  });
});

describe('a gallery that follows a folder', () => {
  const folder: ListSource = { kind: 'folder', path: '', order: 'taken' };

  it('shows its pictures in their order, those that come later too', () => {
    const site = new Site();
    expect(site.compare('', folder).map(({ id }) => id)).toEqual(['added e.jpg', 'added d.jpg', 'order']);
    site.do(wish(['added e.jpg', 'added d.jpg', 'order'], folder));
    expect([...site.text().matchAll(/HREF=(\w)/g)].map(([, name]) => name).join('')).toBe('edcba');
    site.files.delete('d.jpg');
    site.files.delete('thumbs/d.jpg');
    expect(site.news()).toEqual(['kites.html differs from the folder of the site: 1 picture is gone from it.']);
  });
});
