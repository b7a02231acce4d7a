/** A page of all pictures after many changes of twenty pages, held against what the test itself reads out of them. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FACTS, linked, listPage } from '~core/plans/asked.fixture.ts';
import { planFor } from '~core/plans/plan.ts';
import type { Intent } from '~core/plans/index.ts';
import { newReadingMemory, readSite, type SiteReading } from '~core/model/index.ts';
import type { PhotoFacts } from '~core/photo/index.ts';
import { applyChange, type Collected, type FileContent, NOTES_FILE } from '~core/site/index.ts';

const PAGES = 20;
const EACH = 4;
const SPARE = 10;

const nameOf = (n: number) => `p${String(n).padStart(3, '0')}`;

class Site {
  files = new Map<string, FileContent>();
  readonly #facts = new Map<string, PhotoFacts>();
  readonly #memory = newReadingMemory();

  constructor(collected: Partial<Collected> = {}) {
    for (let n = 0; n < PAGES * EACH + SPARE; n++) {
      for (const [path, hash] of [
        [`${nameOf(n)}.jpg`, `L${n}`],
        [`t/${nameOf(n)}.jpg`, `S${n}`],
      ] as const) {
        this.files.set(path, { kind: 'binary', hash, bytes: 1 });
        // Pictures that are nothing like one another.
        this.#facts.set(hash, {
          ...FACTS,
          likeness: ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16),
        });
      }
    }
    for (let p = 0; p < PAGES; p++) {
      const items = Array.from({ length: EACH }, (_, n) => linked(nameOf(p * EACH + n)));
      this.files.set(`page${String(p).padStart(2, '0')}.html`, { kind: 'text', text: listPage(items, `Page ${p}`) });
    }
    const all: Collected = {
      pages: null,
      tag: null,
      since: '',
      until: '',
      order: 'page',
      group: 'page',
      tagLinks: false,
      ...collected,
    };
    const like = { page: 'page00.html', gallery: 0 };
    this.do({ kind: 'collect', path: 'all.html', title: 'All', like, collected: all });
  }

  get reading(): SiteReading {
    return readSite(this.files, this.#facts, [], this.#memory);
  }

  /** Makes the change, and sees to it that its inverse leads back to the letter. */
  do(intent: Intent): boolean {
    const planned = planFor(this.reading, intent, (files) => readSite(files, this.#facts, [], this.#memory));
    if (!planned.ok) return false;
    const before = this.files;
    const applied = applyChange(before, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const back = applyChange(applied.files, applied.inverse);
    if (!back.ok) throw new Error(back.reason);
    expect(new Map(back.files)).toEqual(new Map(before));
    this.files = new Map(applied.files);
    return true;
  }

  text(path: string): string {
    const content = this.files.get(path);
    return content?.kind === 'text' ? content.text : '';
  }

  pages(): string[] {
    return [...this.files.keys()].filter((path) => /\.html$/.test(path) && path !== 'all.html').sort();
  }
}

const picturesIn = (text: string) => [...text.matchAll(/<a href="(p[^"]*\.jpg)"/g)].map(([, href]) => href ?? '');

/** By the texts alone: each page under its heading, each picture once; null where a page shows none. */
const expected = (site: Site): string[] =>
  site.pages().flatMap((path) => {
    const text = site.text(path);
    const pictures = [...new Set(picturesIn(text))];
    const heading = /<h1>(.*?)<\/h1>/.exec(text)?.[1] ?? '';
    return pictures.length === 0 ? [] : [`${path} ${heading}`, ...pictures];
  });

const shown = (site: Site): string[] =>
  [...site.text('all.html').matchAll(/<h2><a href="([^"]*)">(.*?)<\/a>|<a href="(p[^"]*\.jpg)"/g)].map(
    ([, page, heading, picture]) => picture ?? `${page} ${heading}`,
  );

const step = fc.record({
  what: fc.constantFrom('add', 'remove', 'move', 'rename', 'copy'),
  page: fc.nat(PAGES - 1),
  item: fc.nat(EACH - 1),
  to: fc.nat(EACH),
  spare: fc.nat(SPARE - 1),
});

function intentOf(
  site: Site,
  { what, page: p, item, to, spare }: typeof step extends fc.Arbitrary<infer T> ? T : never,
): Intent | null {
  const path = site.pages()[p] ?? '';
  const page = site.reading.pages.find((one) => one.path === path);
  const strand = page?.strands[0]?.[item];
  const other = site.pages()[(p + 7) % PAGES] ?? '';
  const name = `${nameOf(PAGES * EACH + spare)}`;
  switch (what) {
    case 'add':
      if (!site.files.has(`${name}.jpg`)) return null;
      return {
        kind: 'add-pictures',
        page: path,
        gallery: 0,
        at: to,
        pictures: [{ thumbnail: `t/${name}.jpg`, full: `${name}.jpg`, title: '', alt: `Spare ${spare}`, caption: '' }],
      };
    case 'remove':
      // Of a single item nobody can say whether it is a gallery.
      return strand && (page?.strands[0]?.length ?? 0) > 2 ? { kind: 'remove-item', strand: strand.id } : null;
    case 'move':
      return strand
        ? { kind: 'move-item', strand: strand.id, to: Math.min(to, (page?.strands[0]?.length ?? 1) - 1) }
        : null;
    case 'rename':
      return strand?.full ? { kind: 'rename', from: strand.full, to: `p-new-${p}-${item}-${to}.jpg` } : null;
    default:
      return strand ? { kind: 'copy-items', strands: [strand.id], page: other, gallery: 0 } : null;
  }
}

describe('a page of all pictures', () => {
  it(
    'agrees with its pages after whatever is done to them, and each step goes back to the letter',
    { timeout: 120_000 },
    () => {
      let all = 0;
      fc.assert(
        fc.property(fc.array(step, { minLength: 6, maxLength: 10 }), (steps) => {
          const site = new Site();
          expect(shown(site)).toEqual(expected(site));
          let done = 0;
          for (const one of steps) {
            const intent = intentOf(site, one);
            if (intent && site.do(intent)) done++;
            expect(shown(site)).toEqual(expected(site));
          }
          all += done;
        }),
        { numRuns: 8 },
      );
      // Most of what was asked for could be done.
      expect(all).toBeGreaterThan(20);
    },
  );

  it('shows the pictures that have a tag, whoever gives and takes it', () => {
    const site = new Site({ group: 'none' });
    const tagged = new Set<string>();
    const all = () => picturesIn(site.text('all.html'));
    site.do({ kind: 'set-tags', paths: ['p003.jpg'], add: ['red'], remove: [] });
    tagged.add('p003.jpg');
    site.do({
      kind: 'set-collection',
      page: 'all.html',
      collected: { pages: null, tag: 'red', since: '', until: '', order: 'name', group: 'none', tagLinks: false },
    });
    for (const [name, has] of [
      ['p050.jpg', true],
      ['p010.jpg', true],
      ['p003.jpg', false],
      ['p079.jpg', true],
    ] as const) {
      site.do({ kind: 'set-tags', paths: [name], add: has ? ['red'] : [], remove: has ? [] : ['red'] });
      if (has) tagged.add(name);
      else tagged.delete(name);
      expect(all()).toEqual([...tagged].sort());
    }
    expect(site.files.has(NOTES_FILE)).toBe(true);
  });
});
