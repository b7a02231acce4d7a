/** What is done on pages that nobody here wrote, and by what it is judged. One kind of work is one entry. */
import { findingsOf } from '../../core/checks/index.ts';
import { patternOf, type Gallery } from '../../core/markup/index.ts';
import { compareWithList, type PageReading, shownBy, type SiteReading } from '../../core/model/index.ts';
import type { Intent } from '../../core/plans/index.ts';
import { folderOf, isPagePath, isPicturePath } from '../../core/site/index.ts';
import type { Kit } from '../../core/wiring/index.ts';
import { kitNamed, KITS } from '../kits.ts';
import { download, linesOf } from '../wiring/downloads.fixture.ts';
import {
  bagOfPages,
  difference,
  first,
  type Judge,
  lost,
  never,
  NEW_PICTURE,
  only,
  type Place,
  strange,
  type Trial,
} from './judging.ts';
import { newGroup } from './onGroups.ts';
import { bagOfPage, bagOfPart, leadsOf, leadTo, together, without, type Bag, type Texts } from './outside.ts';

const strandOf = ({ page }: Place, gallery: number, item: number): string | null =>
  page.strands[gallery]?.[item]?.id ?? null;

type Of = (place: Place, gallery: Gallery, n: number) => Trial | null;

/** Names of the files of all items: in a new item each of them would be a place that was forgotten. */
function namesOf(page: PageReading, gallery: number): Set<string> {
  const paths = (page.strands[gallery] ?? []).flatMap(({ thumbnail, full }) => [thumbnail, full]);
  const counts = new Map<string, number>();
  for (const path of paths) if (path !== null) counts.set(path, (counts.get(path) ?? 0) + 1);
  // What several items show is decoration, and goes on being shown.
  return new Set([...counts].flatMap(([path, count]) => (count === 1 ? [path.slice(folderOf(path).length)] : [])));
}

const namesAny = (token: string, names: ReadonlySet<string>): string | undefined =>
  [...names].find((name) => token.includes(name));

/** What an item is made of: its own markup, the caption in another row with the rows themselves, its parts elsewhere. */
function partOf({ page }: Place, gallery: Gallery, item: number): Bag | null {
  const found = gallery.items[item];
  if (!found) return null;
  const { unit, partner, elsewhere } = found;
  const written = (range: { start: number; end: number }) => page.text.slice(range.start, range.end);
  const own = written(unit);
  const parts = [own, ...elsewhere.flatMap(({ range }) => (range ? [written(range)] : []))];
  // What a drawing calls a picture is called otherwise outside of it.
  if (found.source?.element.tag === 'image') parts.push(`<svg>${own}</svg>`);
  if (partner?.range) parts.push(`<table>${own}</table>`, `<table><tr>${written(partner.range)}</tr></table>`);
  return together(parts.map(bagOfPart));
}

/** What stands between two items goes with one of them. */
const separates = (token: string): boolean => token === '<br>' || /^word [^\p{L}\p{N}]+$/u.test(token);

const removing: Of = (place, gallery, n) => {
  const item = place.pick(gallery.items.length);
  const strand = strandOf(place, n, item);
  const part = partOf(place, gallery, item);
  if (strand === null || !part) return null;
  return {
    intent: { kind: 'remove-item', strand },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      return lost(first(without(gone, part), separates)) ?? strange(first(fresh));
    },
  };
};

const moving: Of = (place, gallery, n) => {
  const strand = strandOf(place, n, place.pick(gallery.items.length));
  if (strand === null) return null;
  return { intent: { kind: 'move-item', strand, to: place.pick(gallery.items.length) }, judge: only(never, never) };
};

const adding: Of = (place, _gallery, n) => {
  const names = namesOf(place.page, n);
  return {
    intent: { kind: 'add-pictures', page: place.page.path, gallery: n, pictures: [NEW_PICTURE] },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const kept = first(gone);
      if (kept !== null) return lost(kept);
      const forgotten = [...fresh.keys()].find((token) => namesAny(token, names) !== undefined);
      if (forgotten !== undefined) return `another picture's name in the new item: ${forgotten.slice(0, 200)}`;
      const shown = [...fresh.keys()].some((token) => token.includes('zq-reel-box'));
      return shown ? null : 'the new item does not name the new picture';
    },
  };
};

const describing: Of = (place, gallery, n) => {
  const item = place.pick(gallery.items.length);
  const strand = strandOf(place, n, item);
  if (strand === null) return null;
  const value = 'Zqone "two" & <three>';
  return {
    intent: { kind: 'set-alt', strand, value },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const alt = (token: string) => /^(img|input|area) alt=/.test(token);
      const wrong =
        lost(first(gone, alt)) ??
        strange(first(fresh, (token) => token.replace(/^input/, 'img') === `img alt=${value}`));
      return wrong ?? (fresh.size === 1 && gone.size <= 1 ? null : 'more than one alt text changed');
    },
  };
};

const captioning: Of = (place, gallery, n) => {
  const item = place.pick(gallery.items.length);
  const strand = strandOf(place, n, item);
  const part = partOf(place, gallery, item);
  if (strand === null || !part) return null;
  const value = 'Zqone "two" & <three>';
  const words = new Set(value.split(' ').map((word) => `word ${word}`));
  return {
    intent: { kind: 'set-caption', strand, value },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const outside = first(without(gone, part)) ?? first(gone, (token) => token.startsWith('word '));
      return lost(outside) ?? strange(first(fresh, (token) => words.has(token)));
    },
  };
};

/** The pattern as it is learnt asks for nothing. */
const unchangedPattern: Of = ({ page }, gallery, n) => {
  const pattern = patternOf(page.document, gallery)?.text;
  if (pattern === undefined) return null;
  return {
    intent: { kind: 'apply-pattern', page: page.path, gallery: n, pattern, words: 'none' },
    judge: only(never, never),
  };
};

const lazyPattern: Of = ({ page }, gallery, n) => {
  const pattern = patternOf(page.document, gallery)?.text;
  if (pattern === undefined || !/<img /i.test(pattern)) return null;
  return {
    intent: {
      kind: 'apply-pattern',
      page: page.path,
      gallery: n,
      // Not within a comment.
      pattern: pattern.replace(/<!--[\s\S]*?-->|<img (?!data-zq)/gi, (tag) =>
        tag.startsWith('<!') ? tag : `${tag}data-zq="lazy" `,
      ),
      words: 'none',
    },
    judge: only(never, (token) => token === 'img data-zq=lazy'),
  };
};

const filling: Of = ({ page }, _gallery, n) => ({
  intent: { kind: 'fill-words', page: page.path, gallery: n, slot: 'alt', from: 'name', over: false },
  judge: only(
    (token) => /^(?:img|input) alt=$/.test(token),
    (token) => /^(?:img|input) alt=/.test(token),
  ),
});

const marking: Of = ({ page }, _gallery, n) => ({
  intent: { kind: 'set-on-links', page: page.path, gallery: n, name: 'data-zq', value: 'group' },
  judge: only(never, (token) => token === 'a data-zq=group'),
});

const styling: Of = ({ page, pick }, _gallery, n) => {
  const wishes = [
    ['columns', '3'],
    ['column-gap', '12px'],
    ['border', '2px solid #345'],
    ['content-width', '960px'],
    ['caption-lines', '2'],
  ] as const;
  const [setting, value] = wishes[pick(wishes.length)] ?? wishes[0];
  // A class is how a rule finds what it is about.
  const isStyle = (token: string) => /^code |^\S+ (style|class)=|^<(style|link)>|^(link|style) /.test(token);
  return {
    intent: { kind: 'set-style', page: page.path, gallery: n, setting, value, at: null },
    judge: only(isStyle, isStyle),
  };
};

const splitting: Of = ({ page }, gallery, n) => {
  if (gallery.items.length < 3) return null;
  const size = Math.ceil(gallery.items.length / 2);
  const names = [...namesOf(page, n)];
  return {
    intent: { kind: 'split-gallery', page: page.path, gallery: n, size },
    judge: (before, after) => {
      const count = (texts: Texts, name: string) =>
        [...bagOfPages(texts)].reduce(
          (sum, [token, times]) => sum + (/ (src|href)=/.test(token) && token.includes(name) ? times : 0),
          0,
        );
      const missing = names.find((name) => count(after, name) < count(before, name));
      return missing === undefined ? null : `lost: a picture, ${missing}`;
    },
  };
};

const sectioning: Of = (place, _gallery, n) => {
  const names = namesOf(place.page, n);
  return {
    intent: { kind: 'add-section', page: place.page.path, gallery: n, title: 'Zqsection', pictures: [NEW_PICTURE] },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const forgotten = [...fresh.keys()].find((token) => namesAny(token, names) !== undefined);
      return (
        lost(first(gone)) ?? (forgotten === undefined ? null : `another picture's name: ${forgotten.slice(0, 200)}`)
      );
    },
  };
};

/** What a viewer adds to stands among other words of its author: one more class, a word in `rel`, code on a click. */
const isShared = (token: string): boolean => / (?:class|rel|onclick)=/.test(token);
/** Words are written for viewers alone that look for them in an element. */
const wiredWith = ({ caption }: Kit['manifest']): Judge =>
  only(isShared, (token) => caption.class !== undefined || !token.startsWith('word '));

const OVERLAYS = KITS.filter(({ manifest }) => manifest.does === 'overlay');

const wiring: Of = ({ page, pick }, _gallery) => {
  const kit = OVERLAYS[pick(OVERLAYS.length)];
  if (!kit) return null;
  return { intent: { kind: 'wire', page: page.path, kit: kit.manifest.name }, judge: wiredWith(kit.manifest) };
};

/** Scripts that the program does not know, by the names that they have here. */
const MANUALS = { beam: 'torch', gleam: 'ember', dazzle: 'spangle', gloam: 'murk', parade: 'march' } as const;

const pasting: Of = ({ page, pick }, _gallery) => {
  const [kit, name] = Object.entries(MANUALS)[pick(Object.keys(MANUALS).length)] ?? ['beam', 'torch'];
  const { 'README.md': manual = '', ...files } = download(kit, name);
  const intent = { kind: 'paste-lines' as const, page: page.path, text: linesOf({ 'README.md': manual }), files };
  return { intent, judge: wiredWith(kitNamed(kit).manifest) };
};

/** Several items of a gallery, in no order. */
function someStrands(place: Place, gallery: Gallery, n: number): string[] {
  const chosen = [0, 1].map(() => strandOf(place, n, place.pick(gallery.items.length)));
  return [...new Set(chosen)].filter((id): id is string => id !== null);
}

/** Rows go with the last of their items. */
function rowsOf({ items, container }: Gallery, chosen: readonly number[]): Bag {
  const rows: Bag = new Map();
  for (const n of chosen)
    for (let at = items[n]?.elements[0]?.parent ?? null; at && at !== container; at = at.parent) {
      rows.set(`<${at.tag}>`, Infinity);
      for (const { name, value } of at.attributes) rows.set(`${at.tag} ${name}=${value}`, Infinity);
    }
  return rows;
}

const removingSome: Of = (place, gallery, n) => {
  const strands = someStrands(place, gallery, n);
  const ids = (place.page.strands[n] ?? []).map(({ id }) => id);
  const parts = strands.map((id) => partOf(place, gallery, ids.indexOf(id)));
  if (strands.length === 0 || parts.includes(null)) return null;
  const rows = rowsOf(
    gallery,
    strands.map((id) => ids.indexOf(id)),
  );
  const all = together([...parts.filter((part) => part !== null), rows]);
  return {
    intent: { kind: 'remove-items', strands },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      return lost(first(without(gone, all), separates)) ?? strange(first(fresh));
    },
  };
};

const movingSome: Of = (place, gallery, n) => {
  const strands = someStrands(place, gallery, n);
  if (strands.length === 0) return null;
  return { intent: { kind: 'move-items', strands, to: place.pick(gallery.items.length) }, judge: only(never, never) };
};

/** Copies are written by the pattern, so that nothing that is there goes. */
const copying: Of = (place, gallery, n) => {
  const strands = someStrands(place, gallery, n);
  const { page, site, pick } = place;
  const to = site.pages[pick(site.pages.length)] ?? page;
  if (strands.length === 0) return null;
  return {
    intent: { kind: 'copy-items', strands, page: to.path, gallery: to.galleries.length > 0 ? 0 : null },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      return lost(first(gone)) ?? (fresh.size > 0 ? null : 'nothing was copied');
    },
  };
};

/** Of one element alone, and of nothing else, an attribute changes. */
function oneAttribute(names: RegExp): Judge {
  return (before, after) => {
    const { gone, fresh } = difference(before, after);
    const isIt = (token: string) => names.test(token);
    return (
      lost(first(gone, isIt)) ?? strange(first(fresh, isIt)) ?? (fresh.size <= 1 ? null : 'more than one was changed')
    );
  };
}

const entitling: Of = (place, gallery, n) => {
  const strand = strandOf(place, n, place.pick(gallery.items.length));
  if (strand === null) return null;
  const value = 'Zqone "two" & <three>';
  return {
    intent: { kind: 'set-slot', strand, slot: 'title', value },
    judge: oneAttribute(/^\S+ (?:title|data-[\w-]*(?:title|caption)[\w-]*|aria-label)=|^word /),
  };
};

const leadingElsewhere: Of = (place, gallery, n) => {
  const strand = strandOf(place, n, place.pick(gallery.items.length));
  const value = fileOf(place, isPicturePath);
  if (strand === null || value === null) return null;
  return {
    intent: { kind: 'set-slot', strand, slot: 'full', value },
    judge: only(
      (token) => / [\w-]+=/.test(token),
      (token) => / [\w-]+=/.test(token),
    ),
  };
};

const renumbering: Of = ({ page }, _gallery, n) => ({
  intent: { kind: 'renumber', page: page.path, gallery: n },
  judge: only(
    (token) => /\d/.test(token),
    (token) => /\d/.test(token),
  ),
});

const completing: Of = ({ page }, gallery, n) => ({
  intent: { kind: 'complete-items', page: page.path, gallery: n, items: gallery.items.map((_, at) => at) },
  judge: (before, after) => lost(first(difference(before, after).gone)),
});

const sorting: Of = ({ page }, _gallery, n) => ({
  intent: { kind: 'order-gallery', page: page.path, gallery: n },
  judge: only(never, never),
});

const saidToBeNone: Of = ({ page }) => ({
  intent: { kind: 'set-units', page: page.path, selector: 'li', gallery: false },
  judge: only(never, never),
});

const wording: Of = (place, gallery, n) => {
  const strands = someStrands(place, gallery, n);
  const [strand] = strands;
  if (strand === undefined) return null;
  const words = { alt: 'Zqalt "one"', caption: 'Zqcaption <two>' };
  return {
    intent: { kind: 'set-words', items: strands.map((id) => ({ strand: id, ...words })), pictures: [] },
    judge: only(
      (token) => /^word |^(?:img|input|area) alt=/.test(token),
      (token) => /^word (?:Zq|<two>)|^(?:img|input|area|image) alt=Zq/.test(token),
    ),
  };
};

const forDenseScreens: Of = ({ page }) => ({
  intent: { kind: 'set-sources', page: page.path },
  judge: only(never, (token) => /^\S+ (?:srcset|sizes)=/.test(token)),
});

/** What a finding offers takes no picture and no comment from a page, and settles the matter. */
const settling: Of = ({ site, page, pick }) => {
  const offers = findingsOf(site)
    .filter(({ place: { path } }) => path === page.path)
    .flatMap((finding) =>
      finding.fixes.flatMap(({ kind }, fix) => (kind === 'change' ? [{ finding: finding.id, fix }] : [])),
    );
  const offer = offers[pick(offers.length)];
  if (!offer) return null;
  return {
    intent: { kind: 'fix', ...offer },
    judge: (before, after) => {
      const { gone } = difference(before, after);
      return lost(first(gone, (token) => !/^<img>|^comment /.test(token)));
    },
  };
};

const savingList: Of = ({ page }, _gallery, n) => ({
  intent: { kind: 'save-list', page: page.path, gallery: n, path: 'zq-list.json' },
  judge: only(never, never),
});

const isAlt = (token: string): boolean => /^(img|input|area) alt=/.test(token);

/** A list of its own pictures, the last one first, with another text for each. */
const followingList: Of = ({ site, page }, _gallery, n) => {
  const fulls = [...new Set(shownBy(page, n))].filter((full) => site.files.has(full)).reverse();
  if (fulls.length === 0) return null;
  const rows = fulls.map((full, at) => ({ file: full, thumbnail: full, alt: `Zqalt ${at}` }));
  const columns = ['file', 'thumbnail', 'alt'];
  const mapping = { columns, full: 'file', thumbnail: 'thumbnail', title: null, caption: null, alt: 'alt', tags: null };
  const source = { kind: 'list', path: 'zq-list.json', mapping } as const;
  const text = JSON.stringify(rows);
  const { differences } = compareWithList(site, { page, gallery: n, source, text }, []);
  const take = differences.map(({ id }) => id);
  const at = { page: page.path, gallery: n };
  return {
    intent: { kind: 'follow-list', ...at, source, text, take, keep: true, whole: false },
    judge: only(isAlt, (token) => isAlt(token) && token.includes('Zqalt')),
  };
};

const describingByRule: Of = ({ site, page }, _gallery, n) => {
  const paths = [...new Set(shownBy(page, n))].filter((full) => site.files.has(full));
  if (paths.length === 0) return null;
  return {
    intent: { kind: 'texts-by-rule', paths, field: 'alt', pattern: 'Zqalt {number}', place: '', onlyEmpty: false },
    judge: only(isAlt, (token) => isAlt(token) && token.includes('Zqalt')),
  };
};

/** No other page is another; the new one is there. */
const collecting: Of = ({ page }, _gallery, n) => ({
  intent: {
    kind: 'collect',
    path: `zq-all${ending(page.path)}`,
    title: 'Zqall',
    like: { page: page.path, gallery: n },
    collected: { pages: [page.path], tag: null, since: '', until: '', order: 'page', group: 'page', tagLinks: false },
  },
  judge: (before, after) => {
    const other = [...before].find(([path, text]) => after.get(path) !== text);
    if (other) return `${other[0]} is another`;
    const made = after.get(`zq-all${ending(page.path)}`) ?? '';
    // Not every gallery shows its pictures in an `img`.
    return /all pictures: begin.*\.(?:jpe?g|png|gif|webp)\b.*all pictures: end/is.test(made)
      ? null
      : 'the new page shows nothing';
  },
});

/** Each on a gallery. */
export const ON_GALLERIES: Readonly<Record<string, Of>> = {
  'an item removed': removing,
  'an item moved': moving,
  'a picture added': adding,
  'an alt text': describing,
  'a caption': captioning,
  'the pattern as it is': unchangedPattern,
  'a pattern with one attribute more': lazyPattern,
  'alt texts from names': filling,
  'a mark on every link': marking,
  'a setting of style': styling,
  'split on pages': splitting,
  'another section': sectioning,
  'a viewer wired': wiring,
  'lines of a manual pasted': pasting,
  'some items removed': removingSome,
  'some items moved': movingSome,
  'some items copied': copying,
  'a title': entitling,
  'another file behind a thumbnail': leadingElsewhere,
  'numbers put right': renumbering,
  'what neighbours have': completing,
  'items in the order of the list': sorting,
  'said to be no gallery': saidToBeNone,
  'words of several': wording,
  'copies for dense screens': forDenseScreens,
  'what a finding offers': settling,
  'a gallery saved as a list': savingList,
  'a list taken over': followingList,
  'alt texts by a rule': describingByRule,
  'a page of all pictures made': collecting,
};

const moveOf =
  (from: string, to: string) =>
  (address: string): string =>
    address === leadTo(from) ? leadTo(to) : address;

/** Every address of every page leads to the same file as before, under its new name. */
function leadsAs(from: string, to: string): Judge {
  return (before, after) => {
    for (const [path, text] of before) {
      const now = path === from ? to : path;
      const changed = after.get(now);
      if (changed === undefined) return `lost: the page ${path}`;
      if (changed === text && path === now && !text.includes(from.slice(folderOf(from).length))) continue;
      const [was, is] = [leadsOf(text, path, moveOf(from, to)), leadsOf(changed, now)];
      const wrong = was.findIndex((lead, n) => lead !== is[n]);
      if (wrong >= 0) return `${path}: ${was[wrong]} became ${is[wrong]}`.slice(0, 300);
      if (was.length !== is.length) return `${path}: ${was.length} addresses became ${is.length}`;
    }
    return null;
  };
}

const renamed = (from: string, to: string): Trial => ({
  intent: { kind: 'rename', from, to },
  judge: leadsAs(from, to),
});

const fileOf = ({ site, pick }: Place, isWanted: (path: string) => boolean): string | null => {
  const paths = [...site.files.keys()].filter(isWanted);
  return paths[pick(paths.length)] ?? null;
};

type OfSite = (place: Place) => Trial | null;

const ending = (path: string): string => /\.[^./]*$/.exec(path)?.[0] ?? '';

const renamingPicture: OfSite = (place) => {
  const from = fileOf(place, (path) => isPicturePath(path) && place.site.used.has(path));
  return from === null ? null : renamed(from, `${folderOf(from)}zq & näme${ending(from)}`);
};

const movingPicture: OfSite = (place) => {
  const from = fileOf(place, (path) => isPicturePath(path) && place.site.used.has(path));
  return from === null ? null : renamed(from, `zq-folder/${from.slice(folderOf(from).length)}`);
};

const renamingPage: OfSite = (place) => {
  const from = fileOf(place, isPagePath);
  return from === null ? null : renamed(from, `${folderOf(from)}zq-page${ending(from)}`);
};

const movingPage: OfSite = (place) => {
  const from = fileOf(place, isPagePath);
  return from === null ? null : renamed(from, `zq-folder/deeper/${from.slice(folderOf(from).length)}`);
};

/** The new page has all that its model has around the galleries; no other page loses anything. */
const newPage: OfSite = ({ page }) => ({
  intent: { kind: 'new-page', path: `zq-new${ending(page.path)}`, title: 'Zqtitle', from: page.path, pictures: [] },
  judge: (before, after) => {
    const others: Texts = new Map([...after].filter(([path]) => before.has(path)));
    const { gone } = difference(before, others);
    const wrong = lost(first(gone, (token) => / (class|aria-current|id)=/.test(token)));
    if (wrong !== null) return wrong;
    return after.has(`zq-new${ending(page.path)}`) ? null : 'there is no new page';
  },
});

const deletingPage: OfSite = (place) => {
  const path = fileOf(place, isPagePath);
  if (path === null) return null;
  const name = path.slice(folderOf(path).length);
  return {
    intent: { kind: 'delete-page', path },
    judge: (before, after) => {
      const others: Texts = new Map([...before].filter(([one]) => one !== path));
      for (const [one, text] of others) {
        const now = after.get(one);
        if (now === undefined) return `lost: the page ${one}`;
        if (now === text) continue;
        const gone = without(bagOfPage(text), bagOfPage(now));
        // What leads to it goes, with the element of the list that held nothing else.
        const pictures = [...gone.keys()].filter((token) => /^<img>|^img /.test(token));
        if (pictures.length > 0 && !pictures.some((token) => token.includes(name)))
          return `lost in ${one}: ${pictures[0]}`;
      }
      return null;
    },
  };
};

const aligningMenus: OfSite = () => ({
  intent: { kind: 'align-menus' },
  judge: (before, after) => {
    const { gone } = difference(before, after);
    return lost(first(gone, (token) => !/^<img>|^img /.test(token)));
  },
});

const renamingSome: OfSite = (place) => {
  const chosen = [0, 1, 2].map(() => fileOf(place, (path) => isPicturePath(path) && place.site.used.has(path)));
  const paths = [...new Set(chosen)].filter((path) => path !== null);
  if (paths.length < 2) return null;
  const renames = paths.map((from, at) => ({ from, to: `${folderOf(from)}zq${at} & ü${ending(from)}` }));
  return {
    intent: { kind: 'rename-many', renames },
    judge: (before, after) => {
      for (const [path, text] of before) {
        const moved = (address: string) =>
          renames.reduce((at, { from, to }) => (at === leadTo(from) ? leadTo(to) : at), address);
        const [was, is] = [leadsOf(text, path, moved), leadsOf(after.get(path) ?? '', path)];
        const wrong = was.findIndex((lead, n) => lead !== is[n]);
        if (wrong >= 0) return `${path}: ${was[wrong]} became ${is[wrong]}`.slice(0, 300);
      }
      return null;
    },
  };
};

const merging: OfSite = (place) => {
  const used = (path: string) => isPicturePath(path) && place.site.used.has(path);
  const [from, into] = [fileOf(place, used), fileOf(place, used)];
  if (from === null || into === null || from === into || ending(from) !== ending(into)) return null;
  return { intent: { kind: 'merge', from, into }, judge: leadsAs(from, into) };
};

const exchanging: OfSite = (place) => {
  const [one, other] = [fileOf(place, isPicturePath), fileOf(place, isPicturePath)];
  return one === null || other === null || one === other
    ? null
    : { intent: { kind: 'exchange', one, other }, judge: only(never, never) };
};

const linkingWords: OfSite = (place) => {
  const { page, pick, site } = place;
  const texts = page.document.elements
    .filter(({ tag }) => !['script', 'style', 'title', 'textarea', 'option'].includes(tag))
    .flatMap((element) => element.texts.filter(({ value }) => /\S/.test(value)));
  const text = texts[pick(texts.length)];
  if (!text) return null;
  return {
    intent: { kind: 'link-to', page: page.path, at: text.range, target: { to: 'file', path: firstPage(site) } },
    judge: only(
      (token) => /^a href=/.test(token),
      (token) => /^<a>|^a href=/.test(token),
    ),
  };
};

const firstPage = ({ pages }: SiteReading): string => pages[0]?.path ?? '';

const attachingStylesheet: OfSite = ({ site, page }) => {
  const stylesheet = [...site.files.keys()].find((path) => path.endsWith('.css'));
  if (stylesheet === undefined) return null;
  return {
    intent: { kind: 'set-stylesheet', pages: [page.path], stylesheet, on: true },
    judge: only(never, (token) => /^<link>|^link /.test(token)),
  };
};

const listingSections: OfSite = ({ page }) => ({
  intent: { kind: 'list-sections', page: page.path },
  judge: (before, after) =>
    lost(first(difference(before, after).gone, (token) => !/^<img>|^img |^comment /.test(token))),
});

const enteringInMenus: OfSite = ({ page }) => ({
  intent: { kind: 'add-menu-entry', target: page.path, label: 'Zqentry' },
  judge: (before, after) =>
    lost(first(difference(before, after).gone, (token) => / (?:class|href|aria-current)=|^<\w+>$/.test(token))),
});

/** At any place of the source, be it in the midst of a tag. */
const puttingAt: OfSite = ({ page, pick }) => put(page, { by: 'offset', offset: pick(page.text.length) });

/** Beside any element, as by a drop on the live page. */
const puttingBeside: OfSite = ({ page, pick }) => {
  const path: number[] = [];
  for (let at = page.document.elements[0]; at && at.children.length > 0 && (path.length === 0 || pick(5) > 0);) {
    const n = pick(at.children.length);
    path.push(n);
    at = at.children[n];
  }
  return put(page, { by: 'element', element: path, side: pick(2) === 0 ? 'before' : 'after' });
};

const put = ({ path }: PageReading, at: Extract<Intent, { kind: 'put-pictures' }>['at']): Trial => ({
  intent: { kind: 'put-pictures', page: path, at, pictures: [NEW_PICTURE] },
  judge: (before, after) => {
    const { gone, fresh } = difference(before, after);
    const shown = [...fresh.keys()].some((token) => token.includes('zq-reel-box'));
    return lost(first(gone)) ?? (shown ? null : 'the new picture is not there');
  },
});

/** Each on a site. */
export const ON_SITES: Readonly<Record<string, OfSite>> = {
  'a picture renamed': renamingPicture,
  'a picture moved': movingPicture,
  'a page renamed': renamingPage,
  'a page moved': movingPage,
  'a page made from another': newPage,
  'a page deleted': deletingPage,
  'menus aligned': aligningMenus,
  'several pictures renamed': renamingSome,
  'a copy given up': merging,
  'two pictures exchanged': exchanging,
  'words made a link': linkingWords,
  'a stylesheet put on': attachingStylesheet,
  'sections listed': listingSections,
  'a page entered in menus': enteringInMenus,
  'a new group at a place': newGroup,
  'a picture put at a place': puttingAt,
  'a picture put beside an element': puttingBeside,
};
