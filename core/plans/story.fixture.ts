/** A page of words with pictures to put among them, asked one thing after the other. */
import { readSite } from '../model/index.ts';
import { applyChange, type FileChange, type FileContent, type SiteFiles } from '../site/index.ts';
import { groupsOf, type Shown } from '../story/index.ts';
import { type Kit, KitManifest } from '../wiring/index.ts';
import { FACTS, siteOf } from './asked.fixture.ts';
import { fullsOf } from './groups.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';
import { allFiles } from './steps.ts';

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f'];
const FILES = Object.fromEntries(
  NAMES.flatMap((name) => [
    [`l/${name}.jpg`, `L${name}`],
    [`s/${name}.jpg`, `S${name}`],
  ]),
);
const FACTS_BY_HASH = new Map(
  NAMES.flatMap((name, n) => {
    const likeness = ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16);
    return [
      [`L${name}`, { ...FACTS, likeness, width: 1200, height: 800 }],
      [`S${name}`, { ...FACTS, likeness, width: 150, height: 100 }],
    ];
  }),
);

const kit = (more: object): Kit => ({ kind: 'viewer', files: {}, manifest: KitManifest.parse(more) });
export const OPENER = kit({
  name: 'opener',
  title: 'Opener',
  folder: 'js',
  files: [{ name: 'opener.js', role: 'script' }],
  marker: { attribute: 'data-open' },
  group: { attribute: 'data-set' },
});
export const SLIDER = kit({
  name: 'slider',
  title: 'Slider',
  does: 'show',
  folder: 'js',
  children: true,
  files: [{ name: 'slider.js', role: 'script' }],
  marker: { on: 'gallery', attribute: 'data-slider' },
});

export const WORDS = 'Rain until nine, then a clear north-westerly. We laid the long lines out in the loft.';
export const STORY = [
  '<!DOCTYPE html>',
  '<html lang="en">',
  '<head><meta charset="utf-8"><title>The day</title><link rel="stylesheet" href="style.css"></head>',
  '<body>',
  '<h1>The day</h1>',
  `<p>${WORDS}</p>`,
  '<p>By ten the field was full.</p>',
  '</body>',
  '</html>',
  '',
].join('\n');
export const STYLE = 'body { margin: 0; }\n';

export const picture = (name: string, caption = '') => ({
  thumbnail: `s/${name}.jpg`,
  full: `l/${name}.jpg`,
  title: name,
  alt: `Kite ${name}`,
  caption,
});
export const grid = (columns: number): Shown => ({ as: 'grid', columns });

export class Story {
  files: Map<string, FileContent>;
  readonly kits: readonly Kit[];

  constructor(text = STORY, kits: readonly Kit[] = [], more: Record<string, string> = {}) {
    this.files = allFiles(siteOf({ ...FILES, 'style.css': STYLE, 'story.html': text, ...more }));
    this.kits = kits;
  }

  get site() {
    return this.read(this.files);
  }

  read(files: SiteFiles) {
    return readSite(files, FACTS_BY_HASH, this.kits);
  }

  get page() {
    const page = this.site.pages.find(({ path }) => path === 'story.html');
    if (!page) throw new Error('There is no story.');
    return page;
  }

  plan(intent: Intent) {
    return planFor(this.site, intent);
  }

  do(intent: Intent): this {
    const planned = this.plan(intent);
    if (!planned.ok) throw new Error(planned.reason);
    return this.change(planned.change.files);
  }

  change(files: readonly FileChange[]): this {
    const applied = applyChange(this.files, { label: '', files: [...files] });
    if (!applied.ok) throw new Error(applied.reason);
    this.files = applied.files;
    return this;
  }

  put(names: string, shown: Shown, at = WORDS, caption = ''): this {
    const offset = this.text.indexOf(at) + 3;
    return this.do({
      kind: 'put-group',
      page: 'story.html',
      offset,
      pictures: [...names].map((name) => picture(name, caption)),
      shown,
    });
  }

  set(names: string, shown: Shown | null = null, group = 0): this {
    const first = fullsOf(this.site, this.page, this.groups[group]!)[0] ?? '';
    const pictures = [...names].map((name) => picture(name));
    return this.do({ kind: 'set-group', page: 'story.html', group, first, pictures, shown });
  }

  get groups() {
    return groupsOf(this.page);
  }

  get text(): string {
    return this.textOf('story.html');
  }

  textOf(path: string): string {
    const content = this.files.get(path);
    return content?.kind === 'text' ? content.text : '';
  }

  names(group = 0): string {
    const found = this.groups[group];
    return found
      ? fullsOf(this.site, this.page, found)
          .map((full) => full.slice(2, 3))
          .join('')
      : '';
  }
}
