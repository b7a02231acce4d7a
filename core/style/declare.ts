/**
 * Sets what a stylesheet says of a part of a gallery: in the declaration that says it now, in a rule that is the
 * gallery's own, or in a new rule, and only where the outcome has been seen to win.
 */
import { galleriesOf, nearestWritten, parsePage, setAttribute, valueOf, type PageElement } from '../markup/index.ts';
import {
  type Edit,
  editFiles,
  type FileContent,
  firstOf,
  known,
  type PathIndex,
  refuse,
  type Result,
} from '../site/index.ts';
import { valueFor, weightOf, winnerFor, type Situation, type State, type Winner } from './cascade.ts';
import { upTo } from './media.ts';
import { isOwn, ownClass, partsIn, statelessOnly, type Role, type StyledPage } from './roles.ts';
import { linkedStyles, stylesheetsOf, type Rule, type Stylesheet } from './stylesheets.ts';
import { appendDeclaration, cutDeclaration, ruleAtEnd, ruleBefore, ruleWithin, type NewRule } from './write.ts';
import { troubleWith, withPart } from './values.ts';

/** A window that is wide enough for what counts without conditions; CSS px. */
export const WIDE = 1280;

export interface StyleWish {
  role: Role;
  property: string;
  /** Null takes away what is declared. */
  value: string | null;
  state?: State;
}

export interface StyledSite {
  files: ReadonlyMap<string, FileContent>;
  index: PathIndex;
  pages: readonly StyledPage[];
  /** Files that are not the author's to change here, as those of a viewer. */
  foreign: (path: string) => boolean;
}

interface GalleryAt {
  page: string;
  gallery: number;
}

export type Declared = Result<{ site: StyledSite }>;

export function situationOf(
  site: Omit<StyledSite, 'foreign'>,
  path: string,
  width: number,
  state: State | null = null,
): Situation | null {
  const page = site.pages.find((one) => one.path === path);
  return page ? { page, stylesheets: stylesheetsOf(page, site.files, site.index), width, state } : null;
}

/**
 * All wishes one after the other. `at` is the width up to which they count, in CSS px; null means every width that
 * says nothing else.
 */
export function declareAll(
  site: StyledSite,
  place: GalleryAt,
  wishes: readonly StyleWish[],
  at: number | null,
  purpose: string,
): Declared {
  let now = site;
  for (const wish of wishes) {
    const trouble = wish.value === null ? null : troubleWith(wish.property, wish.value);
    if (trouble) return refuse(`${trouble}.`);
    const done = declareOne(now, place, wish, at, purpose);
    if (!done.ok) return done;
    now = done.site;
  }
  return { ok: true, site: now };
}

/** How a part that a gallery lacks is called, where its role says too little. */
const MISSED: Readonly<Partial<Record<StyleWish['role'], string>>> = {
  caption: 'element for captions',
  item: 'one element round each item',
};

const same = (a: string | null | undefined, b: string | null): boolean =>
  (a ?? '').replace(/\s+/g, ' ').trim() === (b ?? '').replace(/\s+/g, ' ').trim();

/** One wish, and where it goes. */
interface Task {
  site: StyledSite;
  situation: Situation;
  place: GalleryAt;
  wish: StyleWish;
  /** Windows up to this width, CSS px; null for all. */
  at: number | null;
  purpose: string;
  elements: readonly PageElement[];
  /** The declaration that counts for each element. */
  winners: readonly (Winner | null)[];
}

function declareOne(site: StyledSite, place: GalleryAt, wish: StyleWish, at: number | null, purpose: string): Declared {
  const situation = situationOf(site, place.page, at ?? WIDE, wish.state ?? null);
  const gallery = situation && site.pages.find(({ path }) => path === place.page)?.galleries[place.gallery];
  if (!situation || !gallery) return refuse('This gallery is no longer at this place; the page has changed meanwhile.');
  const elements = partsIn(situation, gallery)[wish.role];
  if (elements.length === 0) return refuse(`This gallery has no ${MISSED[wish.role] ?? wish.role}.`);
  const winners = elements.map((element) => winnerFor(situation, element, wish.property));
  const isSo = winners.every((one) => same(one?.value, wish.value) && (one === null) === (wish.value === null));
  if (isSo) return { ok: true, site };
  const task: Task = { site, situation, place, wish, at, purpose, elements, winners };
  if (wish.value === null) return takeAway(site, winners, mayChangeIn(task));
  return firstThatDoes(task, triesFor(task, wish.value));
}

/** Whether a declaration is one that may be changed here: the gallery's own, and not also that of wider windows. */
function mayChangeIn({ site, situation, wish, at, elements }: Task): (winner: Winner) => boolean {
  const saysWide = at === null ? null : winnerFor({ ...situation, width: WIDE }, firstOf(elements), wish.property);
  return ({ rule, declaration }) => {
    if (site.foreign(rule.stylesheet.path) || (at !== null && saysWide?.declaration === declaration)) return false;
    return isOwn(rule, wish.role, loading(site, rule.stylesheet), wish.state ?? null);
  };
}

/** The declaration that counts for all elements; null where there are several, or none. */
const sharedBy = ([first = null, ...others]: Task['winners']): Winner | null =>
  others.every((one) => one?.declaration === first?.declaration) ? first : null;

/** Where the value could be written, what the author would do first coming first. */
function triesFor(task: Task, value: string): (() => Draft | null)[] {
  const { site, situation, place, wish, at, purpose, elements, winners } = task;
  const state = wish.state ?? null;
  const tries: (() => Draft | null)[] = [];
  const shared = sharedBy(winners);
  if (shared && mayChangeIn(task)(shared)) tries.push(() => inPlace(shared, wish.property, value));
  const own = situation.stylesheets
    .flatMap((stylesheet) => (site.foreign(stylesheet.path) ? [] : stylesheet.rules))
    .filter(
      (rule) =>
        rule.doubt === null &&
        (state !== null || statelessOnly(rule)) &&
        elements.every((element) => weightOf(rule, element, state) !== null) &&
        isOwn(rule, wish.role, loading(site, rule.stylesheet), state),
    );
  const home = own.filter(({ media }) => (at === null ? media.length === 0 : upTo(media) === at)).at(-1);
  if (home) tries.push(() => ({ path: home.stylesheet.path, edits: [appendDeclaration(home, wish.property, value)] }));
  const named = own.filter((rule) => rule.selectors.length === 1).at(-1);
  for (const stronger of ['', 'body ', 'html body '])
    tries.push(...newRules(site, situation, place, wish, at, purpose, named ?? null, stronger));
  return tries;
}

function firstThatDoes({ site, place, wish, at, winners }: Task, tries: readonly (() => Draft | null)[]): Declared {
  let trouble: string | null = null;
  for (const attempt of tries) {
    const draft = attempt();
    if (!draft) continue;
    const next = applied(site, draft);
    if (typeof next === 'string') return refuse(next);
    trouble = wrongWith(site, next, place, wish, at);
    if (trouble === null) return { ok: true, site: next };
  }
  const winner = sharedBy(winners) ?? winners.find((one) => one !== null);
  const why = trouble ?? 'there is no stylesheet of yours to write it in';
  return refuse(`Nothing was changed: ${why}.${winner ? ` ${placeAndWords(winner)}.` : ''}`);
}

/** A declaration as somebody would look for it. */
function placeAndWords({ rule, declaration: { property, value, important, range } }: Winner): string {
  const line = rule.stylesheet.lines.lineAt(range.start);
  return `${rule.stylesheet.path}, line ${line}: ${rule.prelude} { ${property}: ${value}${important ? ' !important' : ''} }`;
}

interface Draft {
  path: string;
  edits: Edit[];
  /** Pages that have to change along, as where the gallery needs a class first. */
  also?: Draft[];
}

function takeAway(
  site: StyledSite,
  winners: readonly (Winner | null)[],
  mayChange: (winner: Winner) => boolean,
): Declared {
  const [winner] = winners;
  if (!winner) return { ok: true, site };
  const place = `${winner.rule.stylesheet.path}, line ${winner.rule.stylesheet.lines.lineAt(winner.declaration.range.start)}`;
  if (!mayChange(winner))
    return {
      ok: false,
      reason: `${place}: this declaration counts for more than the gallery; remove it in the source.`,
    };
  const next = applied(site, {
    path: winner.rule.stylesheet.path,
    edits: [cutDeclaration(winner.rule, winner.declaration)],
  });
  return typeof next === 'string' ? { ok: false, reason: next } : { ok: true, site: next };
}

function inPlace({ rule, declaration }: Winner, property: string, value: string): Draft | null {
  const text = withPart(declaration.property, property, declaration.value, value);
  return text === null ? null : { path: rule.stylesheet.path, edits: [{ ...declaration.valueRange, text }] };
}

/** New rules in the places where they may count: a media block that is there, before a narrower one, the end. */
function newRules(
  site: StyledSite,
  situation: Situation,
  place: GalleryAt,
  wish: StyleWish,
  at: number | null,
  purpose: string,
  named: Rule | null,
  stronger: string,
): (() => Draft | null)[] {
  const target = selectorFor(site, situation, place, wish, named);
  if (!target) return [];
  const stylesheet = situation.stylesheets.findLast(
    (one) =>
      one.kind !== 'attribute' &&
      !site.foreign(one.path) &&
      (named ? one.path === named.stylesheet.path && one.kind === named.stylesheet.kind : true),
  );
  if (!stylesheet) return [];
  const rule: NewRule = {
    selector: stronger + target.selector,
    property: wish.property,
    value: wish.value ?? '',
    purpose,
    media: at === null ? null : `(max-width: ${at}px)`,
  };
  const draft = (edit: Edit) => () => ({
    path: stylesheet.path,
    edits: [edit],
    ...(target.also ? { also: [target.also] } : {}),
  });
  if (at === null)
    return [
      ...beforeMedia(stylesheet).map((offset) => draft(ruleBefore(stylesheet, offset, rule))),
      draft(ruleAtEnd(stylesheet, rule)),
    ];
  const blocks = new Map(
    stylesheet.rules
      .filter(({ media }) => upTo(media) === at)
      .flatMap(({ within }) => (within ? [[within.start, within] as const] : [])),
  );
  const narrower = stylesheet.rules.find(({ media, within }) => within && (upTo(media) ?? Infinity) < at);
  return [
    ...[...blocks.values()].reverse().map((within) => draft(ruleWithin(stylesheet, within, rule))),
    draft(ruleAtEnd(stylesheet, rule)),
    ...(narrower?.within ? [draft(ruleBefore(stylesheet, mediaStart(stylesheet, narrower.within.start), rule))] : []),
  ];
}

/** Where an at-rule begins whose block begins at a place. */
const mediaStart = ({ text }: Stylesheet, block: number): number => text.lastIndexOf('@media', block);

/** The first media block at the end of a stylesheet: rules for every width stand before those for some. */
function beforeMedia(stylesheet: Stylesheet): number[] {
  let first: Rule | null = null;
  for (const rule of [...stylesheet.rules].reverse()) {
    if (rule.media.length === 0 || !rule.within) break;
    first = rule;
  }
  return first?.within && stylesheet.kind === 'file' ? [mediaStart(stylesheet, first.within.start)] : [];
}

function selectorFor(
  site: StyledSite,
  situation: Situation,
  place: GalleryAt,
  wish: StyleWish,
  named: Rule | null,
): { selector: string; also?: Draft } | null {
  const page = known(
    site.pages.find(({ path }) => path === place.page),
    'page of the gallery',
  );
  const gallery = known(page.galleries[place.gallery], 'gallery');
  const state = wish.state ?? null;
  if (named && (state === null || !statelessOnly(named))) return { selector: firstOf(named.selectors).text };
  const parts = partsIn(situation, gallery);
  if (wish.role === 'page') return { selector: 'body' };
  const [element] = parts[wish.role];
  if (wish.role === 'content' && element) return { selector: contentSelector(element) };
  if (wish.role === 'holder' && element) return elementSelector(site, situation, page, element, 'holder');
  const container = containerSelector(site, situation, page, gallery);
  if (wish.role === 'container') return container;
  if (!element) return null;
  const inner = innerSelector(wish, element, element.parent === gallery.container, parts.link[0]?.tag);
  return { ...container, selector: `${container.selector} ${inner}` };
}

const firstClass = (element: PageElement): string => (valueOf(element, 'class') ?? '').split(/\s+/)[0] ?? '';

function contentSelector(element: PageElement): string {
  if (element.tag === 'body' || element.tag === 'main') return element.tag;
  const id = valueOf(element, 'id');
  return id ? `#${id}` : `.${firstClass(element)}`;
}

/** What finds a part inside of the container. */
function innerSelector(wish: StyleWish, element: PageElement, isChild: boolean, link: string | undefined): string {
  const name = firstClass(element);
  const inner = wish.role === 'caption' && name ? `.${name}` : element.tag;
  const { state = null } = wish;
  if (state === null) return `${isChild ? '> ' : ''}${inner}`;
  const pseudo = state === 'focus' ? ':focus-visible' : `:${state}`;
  return wish.role === 'image' && link ? `${link}${pseudo} ${element.tag}` : `${inner}${pseudo}`;
}

interface Selected {
  selector: string;
  also?: Draft;
}

/** What finds the container, which a browser may have put into what holds it by itself. */
function containerSelector(
  site: StyledSite,
  situation: Situation,
  page: StyledPage,
  { container }: StyledPage['galleries'][number],
): Selected {
  const holder = nearestWritten(container) ?? container;
  if (holder === container) return elementSelector(site, situation, page, container, 'container');
  const own = elementSelector(site, situation, page, holder, 'holder');
  return { ...own, selector: `${own.selector}${stepsTo(container, holder)}` };
}

/** What finds an element: the selector that the author uses, its class or id, or a class that it is given now. */
function elementSelector(
  site: StyledSite,
  situation: Situation,
  page: StyledPage,
  element: PageElement,
  role: 'holder' | 'container',
): Selected {
  for (const stylesheet of [...situation.stylesheets].reverse()) {
    // What a viewer calls it is no name that its author gave.
    if (site.foreign(stylesheet.path)) continue;
    for (const rule of [...stylesheet.rules].reverse()) {
      if (
        rule.selectors.length === 1 &&
        statelessOnly(rule) &&
        weightOf(rule, element, null) !== null &&
        isOwn(rule, role, loading(site, stylesheet))
      )
        return { selector: firstOf(rule.selectors).text };
    }
  }
  const own = ownClass(element, site.pages);
  if (own) return { selector: `.${own}` };
  const id = valueOf(element, 'id');
  if (id && /^[A-Za-z_][\w-]*$/.test(id)) return { selector: `#${id}` };
  const given = nameFor(site);
  const present = valueOf(element, 'class');
  const edit = setAttribute(element, 'class', present ? `${present} ${given}` : given, page.document.text);
  return { selector: `.${given}`, ...(edit ? { also: { path: page.path, edits: [edit] } } : {}) };
}

/** From what can carry a class down to what a browser has put in between: ` > tbody`. */
function stepsTo(container: PageElement, holder: PageElement): string {
  let steps = '';
  for (let at = container; at !== holder && at.parent; at = at.parent) steps = ` > ${at.tag}${steps}`;
  return steps;
}

function nameFor(site: StyledSite): string {
  const taken = new Set(
    site.pages.flatMap(({ document }) =>
      document.elements.flatMap((element) => (valueOf(element, 'class') ?? '').split(/\s+/)),
    ),
  );
  for (let n = 1; ; n++) {
    const name = n === 1 ? 'pictures' : `pictures-${n}`;
    if (!taken.has(name)) return name;
  }
}

/** The pages for which a stylesheet counts; where it is brought in by another one, all. */
export function loading(site: StyledSite, stylesheet: Stylesheet): StyledPage[] {
  if (stylesheet.kind !== 'file') return site.pages.filter(({ path }) => path === stylesheet.path);
  const linked = site.pages.filter((page) => linkedStyles(page, site.index).includes(stylesheet.path));
  return linked.length > 0 ? linked : [...site.pages];
}

/** The site with a draft done; pages that changed are read again. */
export function applied(site: StyledSite, draft: Draft): StyledSite | string {
  const done = editFiles(site.files, [draft, ...(draft.also ?? [])]);
  if (!done.ok) return done.reason;
  const { files, changed } = done;
  const pages = site.pages.map((page) => {
    const text = changed.get(page.path);
    if (text === undefined) return page;
    const document = parsePage(text, page.document.units);
    return { ...page, document, galleries: galleriesOf(document) };
  });
  return { ...site, files, pages };
}

/** What a change would do that was not meant, in words; null where it does just what was. */
function wrongWith(
  before: StyledSite,
  after: StyledSite,
  place: GalleryAt,
  wish: StyleWish,
  at: number | null,
): string | null {
  const state = wish.state ?? null;
  const width = at ?? WIDE;
  const [was, is] = [situationOf(before, place.page, width, state), situationOf(after, place.page, width, state)];
  const galleries = [before, after].map(
    ({ pages }) => pages.find(({ path }) => path === place.page)?.galleries[place.gallery],
  );
  if (!was || !is || !galleries[0] || !galleries[1]) return 'the page would be read otherwise';
  const elements = partsIn(is, galleries[1])[wish.role];
  const old = partsIn(was, galleries[0])[wish.role];
  if (elements.length === 0 || (wish.role !== 'content' && elements.length !== old.length))
    return 'the page would be read otherwise';
  return (
    wrongHere(after, is, elements, wish) ??
    wrongElsewhere({ ...was, elements: old }, { ...is, elements }, wish.property, width)
  );
}

/** In the windows that are meant. */
function wrongHere(
  site: StyledSite,
  situation: Situation,
  elements: readonly PageElement[],
  wish: StyleWish,
): string | null {
  for (const element of elements) {
    const winner = winnerFor(situation, element, wish.property);
    if (!same(winner?.value, wish.value)) return 'another declaration counts for more';
    if (winner && !isOwn(winner.rule, wish.role, loading(site, winner.rule.stylesheet), wish.state ?? null))
      return 'no selector finds just these elements; give them a class of their own';
  }
  return null;
}

type SituationOf = Situation & { elements: readonly PageElement[] };

/** What other windows are told by conditions of their own stays; wider ones stay altogether. */
function wrongElsewhere(was: SituationOf, is: SituationOf, property: string, width: number): string | null {
  const widths = new Set(was.stylesheets.flatMap(({ rules }) => rules.flatMap(({ media }) => upTo(media) ?? [])));
  for (const other of [WIDE, ...widths]) {
    if (other === width) continue;
    const told = winnerFor({ ...was, width: other }, firstOf(was.elements), property);
    const apart = other > width || (told !== null && (upTo(told.rule.media) ?? Infinity) < width);
    if (!apart || same(valueFor({ ...is, width: other }, is.elements[0], property), told?.value ?? null)) continue;
    return other > width ? 'wider windows would change as well' : 'narrower windows would change as well';
  }
  return null;
}
