/** What is done to groups of pictures among words. One kind of work is one entry. */
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { descendants } from '../../core/markup/index.ts';
import { fullsOf } from '../../core/plans/index.ts';
import { type Group, PRESENTATIONS, rangeOf, type Shown } from '../../core/story/index.ts';
import { difference, first, type Judge, lost, NEW_PICTURE, type Place, strange, type Trial } from './judging.ts';
import { bagOfPage, bagOfPart, type Texts } from './outside.ts';

type Of = (place: Place, group: Group, n: number) => Trial | null;

/** As the panel names what a group has: each picture by its file and its thumbnail. */
function picturesOf({ site, page }: Place, group: Group) {
  const thumbnails = new Map(site.pairing.pairs.map(({ full, thumbnail }) => [full, thumbnail]));
  return fullsOf(site, page, group).map((full) => ({
    full,
    thumbnail: thumbnails.get(full) ?? '',
    title: '',
    alt: '',
    caption: '',
  }));
}

type Pictures = ReturnType<typeof picturesOf>;

function set(place: Place, group: Group, n: number, pictures: Pictures, shown: Shown | null = null) {
  const [was] = picturesOf(place, group);
  return {
    kind: 'set-group' as const,
    page: place.page.path,
    group: n,
    first: was?.full ?? '',
    pictures: [...pictures],
    shown,
  };
}

/** What the pictures of a page show, in their order, told by parse5 alone. */
function sourcesIn(text: string): string[] {
  const found: string[] = [];
  const visit = (node: Tree.Node): void => {
    if ('tagName' in node && node.tagName === 'img')
      found.push(node.attrs.find(({ name }) => name === 'src')?.value ?? '');
    if ('childNodes' in node) for (const child of node.childNodes) visit(child);
  };
  visit(parse(text, { scriptingEnabled: false }));
  return found;
}

const sourcesOn = (texts: Texts, { page: { path } }: Place): string[] => sourcesIn(texts.get(path) ?? '');

/** Nothing but what stands in the group goes. */
const goesWithin = ({ page }: Place, group: Group): ((token: string) => boolean) => {
  const { start, end } = rangeOf(page.document, group);
  const part = bagOfPart(page.text.slice(start, end));
  return (token) => part.has(token) || / class=/.test(token);
};

/** Words of the new picture, what its author has in every item, and a number further on. */
function isOwn(before: Texts): (token: string) => boolean {
  const there = [...before.values()].map(bagOfPage);
  return (token) => !isWords(token) || /^word (?:Zq|words|\d+$)/.test(token) || there.some((bag) => bag.has(token));
}

const isWords = (token: string): boolean => /^(?:word|comment) /.test(token);

const out: Of = (place, group, n) => {
  const pictures = picturesOf(place, group);
  if (new Set(pictures.map(({ full }) => full)).size !== pictures.length) return null;
  const goer = place.pick(pictures.length);
  const left = pictures.filter((_, at) => at !== goer);
  const goes = goesWithin(place, group);
  return {
    intent: set(place, group, n, left),
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const [was, is] = [sourcesOn(before, place), sourcesOn(after, place)];
      const count = pictures.length - left.length;
      return (
        lost(first(gone, goes)) ??
        strange(first(fresh)) ??
        (was.length - is.length === count ? null : `${was.length - is.length} pictures went, not ${count}`)
      );
    },
  };
};

const inIt: Of = (place, group, n) => ({
  intent: set(place, group, n, [...picturesOf(place, group), NEW_PICTURE]),
  judge: (before, after) => {
    const { gone, fresh } = difference(before, after);
    const [was, is] = [sourcesOn(before, place), sourcesOn(after, place)];
    const words = first(fresh, isOwn(before));
    const come = is.filter((one) => one.includes('zq-reel-box')).length;
    return (
      lost(first(gone)) ??
      strange(words) ??
      (come === 1 && is.length === was.length + 1 ? null : `${come} new pictures, ${is.length - was.length} more`)
    );
  },
});

/** The others stand where they stood. */
const turned: Of = (place, group, n) => {
  const pictures = picturesOf(place, group);
  if (pictures.length < 2) return null;
  return {
    intent: set(place, group, n, [...pictures].reverse()),
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const [was, is] = [sourcesOn(before, place), sourcesOn(after, place)];
      const moved = was.flatMap((one, at) => (one === is[at] ? [] : [at]));
      const within = (moved.at(-1) ?? 0) - (moved[0] ?? 0) < pictures.length;
      return (
        lost(first(gone)) ??
        strange(first(fresh)) ??
        (within && is.join() !== was.join() ? null : `they stand as ${is.join(' ').slice(0, 200)}`)
      );
    },
  };
};

const shownAs =
  (shown: Shown): Of =>
  (place, group, n) => ({
    intent: set(place, group, n, picturesOf(place, group), shown),
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const [was, is] = [sourcesOn(before, place), sourcesOn(after, place)];
      const goes = goesWithin(place, group);
      return (
        lost(first(gone, (token) => !isWords(token) && goes(token))) ??
        strange(first(fresh, (token) => !isWords(token))) ??
        (is.length === was.length ? null : `${was.length} pictures became ${is.length}`)
      );
    },
  });

const worded: Of = (place, group, n) => {
  const item = place.pick(group.gallery.items.length);
  const [was] = picturesOf(place, group);
  return {
    intent: {
      kind: 'set-group-words',
      page: place.page.path,
      group: n,
      first: was?.full ?? '',
      item,
      alt: 'Zqone "two" & <three>',
    },
    judge: (before, after) => {
      const { gone, fresh } = difference(before, after);
      const isAlt = (token: string) => /^img alt=/.test(token);
      return (
        lost(first(gone, isAlt)) ??
        strange(first(fresh, (token) => token === 'img alt=Zqone "two" & <three>')) ??
        (fresh.size === 1 ? null : 'no alt text, or more than one, changed')
      );
    },
  };
};

/** One `img` for each picture and all of it in one place: what more a gallery may have is judged as its gallery. */
export const isPlain = ({ gallery: { items } }: Group): boolean =>
  items.every(
    ({ image, elements, partner, elsewhere }) =>
      image?.tag === 'img' &&
      partner === null &&
      elsewhere.length === 0 &&
      elements.flatMap((one) => [one, ...descendants(one)]).filter(({ tag }) => tag === 'img').length === 1,
  );

/** Each on a group. */
export const ON_GROUPS: Readonly<Record<string, Of>> = {
  'a picture out of a group': out,
  'a picture into a group': inIt,
  'a group turned round': turned,
  'words in a group': worded,
  ...Object.fromEntries(
    PRESENTATIONS.map((as) => [`a group shown as ${as}`, shownAs({ as, columns: as === 'grid' ? 3 : 1 })]),
  ),
};

const isPutIn: Judge = (before, after) => {
  const { gone, fresh } = difference(before, after);
  const come = [...fresh.keys()].some((token) => token.includes('zq-reel-box'));
  const words = first(fresh, isOwn(before));
  return lost(first(gone)) ?? strange(words) ?? (come ? null : 'the new picture is not there');
};

/** A new one, at any place of the source. */
export const newGroup = ({ page, pick }: Place): Trial => ({
  intent: {
    kind: 'put-group',
    page: page.path,
    offset: pick(page.text.length),
    pictures: [NEW_PICTURE],
    shown: { as: PRESENTATIONS[pick(PRESENTATIONS.length)] ?? 'grid', columns: 2 },
  },
  judge: isPutIn,
});
