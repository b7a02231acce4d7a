/** From what is asked for to the change that does it, or the reason why it cannot be done. */
import { findingsOf, type Fix } from '../checks/index.ts';
import {
  addItems,
  moveItem,
  removeItem,
  setAlt,
  setCaption,
  type NewItem,
  type Stated,
  STATES,
} from '../markup/index.ts';
import { changeNotes, notesChange, madeFullSize, partText, type SiteReading } from '../model/index.ts';
import { troubleOf } from '../pairing/index.ts';
import {
  type ListMapping,
  nameOf,
  planEdits,
  type Planned,
  refuse,
  relativeReference,
  type SiteNotes,
} from '../site/index.ts';
import { collect, collectTags, endCollection, setCollection, updateCollections } from './collect.ts';
import { decide } from './decide.ts';
import { endFollowing, followList, takeNews } from './follow.ts';
import { feedRest } from './feedRest.ts';
import { keepInStep, type ReadAgain } from './keepInStep.ts';
import { putGroup, setGroup, setGroupWords } from './groups.ts';
import { GALLERY_GONE, itemOf, markupIn, type FoundItem } from './items.ts';
import {
  applyPatternTo,
  completeItems,
  copyMany,
  fillWords,
  moveMany,
  removeMany,
  renumberGallery,
  setOnEveryLink,
  setSlotOf,
} from './itemWork.ts';
import { linkTo } from './links.ts';
import { addMenuEntry, alignMenus } from './menuWork.ts';
import { newPage } from './newPage.ts';
import { describePages } from './pageHead.ts';
import { deletePage, setStylesheet } from './pageWork.ts';
import { addSection, listSections } from './sections.ts';
import { setViewerOptions } from './options.ts';
import { writeInformation } from './information.ts';
import { orderGallery, setOrder } from './order.ts';
import { putOwnFile } from './ownFile.ts';
import { exchange, merge, mergeMany, rename, renameMany } from './rename.ts';
import { replaceText } from './replaceText.ts';
import { setSources } from './sources.ts';
import { splitGallery } from './split.ts';
import { setStyle } from './style.ts';
import { setUnits } from './units.ts';
import { setAside } from './setAside.ts';
import { saveList } from './saveList.ts';
import { newStory, putText } from './story.ts';
import { saveBytes } from './saveBytes.ts';
import { fixMarkup } from './fixMarkup.ts';
import { offerWebp } from './offerWebp.ts';
import { setUpload } from './upload.ts';
import { changeKit, forgetKit, pasteLines, saveKit, unwire, wire } from './wiring.ts';
import { addToList } from './scriptLists.ts';
import { addSlideTo } from './slides.ts';
import { setTags } from './setTags.ts';
import { keepPlace, setWords } from './setWords.ts';
import { bringPictures } from './bringPictures.ts';
import { putPictures } from './putPictures.ts';
import { setTextsByRule } from './textsByRule.ts';
import { taggedFor } from './tagged.ts';
import { tagByRule } from './tagRules.ts';
import { inCharset } from './charset.ts';
import { inQuotes } from './quotes.ts';
import { conserved } from './conserved.ts';
import { fixAll } from './fixAll.ts';
import { galleryFor, rememberingEmptied } from './emptied.ts';
import type { Intent, NewPicture } from './intent.ts';
import { STATED } from './stated.ts';

const GONE = 'This item is no longer at this place; the page has changed meanwhile.';

type Of<Kind extends Intent['kind']> = Extract<Intent, { kind: Kind }>;

/** All but those that a finding offers. */
type Asked = Exclude<Intent, { kind: 'fix' | 'fix-all' }>;

const PLANS: { [Kind in Asked['kind']]: (site: SiteReading, intent: Of<Kind>) => Planned } = {
  'set-alt': (site, { strand, value }) =>
    withItem(site, strand, ({ page, item, strand: at }) =>
      planEdits(`Set the alt text of ${at.name}`, page.path, setAlt(page.document, item, value)),
    ),
  'set-caption': (site, { strand, value }) =>
    withItem(site, strand, ({ page, item, strand: at }) => {
      const markup = markupIn(page.document, item);
      if (markup !== null) return refuse(markup);
      return planEdits(`Set the caption of ${at.name}`, page.path, setCaption(page.document, item, value));
    }),
  'remove-item': (site, { strand }) =>
    withItem(site, strand, ({ page, gallery, strand: at }) => {
      const removed = removeItem(page.document, gallery, at.item);
      const label = `Remove ${at.name} from ${page.path}`;
      return rememberingEmptied(site, page, gallery, 1, planEdits(label, page.path, removed));
    }),
  'move-item': (site, { strand, to }) =>
    withItem(site, strand, ({ page, gallery, strand: at }) =>
      planEdits(`Move ${at.name} to place ${to + 1}`, page.path, moveItem(page.document, gallery, at.item, to)),
    ),
  'remove-items': removeMany,
  'move-items': moveMany,
  'copy-items': copyMany,
  'set-slot': setSlotOf,
  'set-on-links': setOnEveryLink,
  renumber: renumberGallery,
  'split-gallery': splitGallery,
  'set-style': setStyle,
  'set-options': setViewerOptions,
  'write-information': writeInformation,
  'set-units': setUnits,
  'complete-items': completeItems,
  'apply-pattern': applyPatternTo,
  'fill-words': fillWords,
  'add-pictures': addPictures,
  'add-slide': addSlideTo,
  'add-to-list': addToList,
  'new-page': (site, wish) => newPage(site, wish, (page, picture) => itemFor(site, page, picture)),
  'link-to': linkTo,
  'delete-page': deletePage,
  'set-stylesheet': setStylesheet,
  'add-section': (site, wish) => addSection(site, wish, (page, picture) => itemFor(site, page, picture)),
  'list-sections': listSections,
  'add-menu-entry': addMenuEntry,
  'align-menus': alignMenus,
  decide,
  'set-recipe': (site, { recipe }) => changeNotes(site, 'Change image sizes', { recipe }),
  'set-upload': setUpload,
  'set-aside': setAside,
  'set-limit': (site, { limit }) => changeNotes(site, 'Set a limit for page weight', { limit }),
  'save-bytes': saveBytes,
  'offer-webp': offerWebp,
  'fix-markup': fixMarkup,
  'use-own-file': putOwnFile,
  'describe-pages': describePages,
  'replace-text': replaceText,
  rename,
  'rename-many': renameMany,
  exchange,
  merge,
  'merge-many': mergeMany,
  'set-focus': setFocus,
  'set-words': setWords,
  'bring-pictures': bringPictures,
  'put-pictures': (site, wish) => putPictures(site, wish, (page, picture) => itemFor(site, page, picture)),
  'texts-by-rule': setTextsByRule,
  'set-tags': setTags,
  'tag-by-rule': tagByRule,
  collect: (site, wish) => collect(site, wish, (page, picture) => itemFor(site, page, picture)),
  'collect-tags': (site, wish) => collectTags(site, wish, (page, picture) => itemFor(site, page, picture)),
  'follow-list': (site, wish) => followList(site, wish, planAlone),
  'end-following': endFollowing,
  'put-group': (site, wish) => putGroup(site, wish, (page, picture) => itemFor(site, page, picture)),
  'set-group': (site, wish) => setGroup(site, wish, (page, picture) => itemFor(site, page, picture)),
  'set-group-words': setGroupWords,
  'new-story': (site, wish) => newStory(site, wish, (page, picture) => itemFor(site, page, picture)),
  'put-text': putText,
  'part-text': (site, { page }) => partText(site, page),
  'save-list': saveList,
  'feed-rest': feedRest,
  'set-collection': setCollection,
  'update-collections': updateCollections,
  'end-collection': endCollection,
  'set-rights': (site, { rights }) => changeNotes(site, 'Set copyright and credit', { rights }),
  'keep-place': keepPlace,
  'set-order': setOrder,
  'order-gallery': orderGallery,
  'set-naming': setNaming,
  'set-sources': setSources,
  wire,
  unwire,
  'change-kit': changeKit,
  'save-kit': saveKit,
  'paste-lines': pasteLines,
  'forget-kit': forgetKit,
};

/** `again` reads the site as it is after the change; without it, it is read from nothing. */
export function planFor(site: SiteReading, intent: Intent, again?: ReadAgain): Planned {
  return keepInStep(site, planAlone(site, intent), again);
}

function planAlone(site: SiteReading, intent: Intent): Planned {
  if (intent.kind === 'fix') return planFix(site, intent);
  if (intent.kind !== 'fix-all') return planAsked(site, intent);
  return fixAll(site, intent.findings, planOffered);
}

const kept = (site: SiteReading, planned: Planned, stated: Stated): Planned =>
  conserved(site, inCharset(site, planned), stated);

/** What somebody has typed themselves: their quotes are as they want them. */
const TYPED: ReadonlySet<string> = new Set<Asked['kind']>(['replace-text', 'paste-lines', 'apply-pattern']);

function planAsked<Kind extends Asked['kind']>(site: SiteReading, intent: Extract<Asked, { kind: Kind }>): Planned {
  const planned = PLANS[intent.kind](site, intent);
  return kept(site, TYPED.has(intent.kind) ? planned : inQuotes(site, planned), STATED[intent.kind]);
}

/** What a finding offers, by what it states itself. */
function planFix(site: SiteReading, { finding: id, fix: n }: Of<'fix'>): Planned {
  return planOffered(site, findingsOf(site).find((finding) => finding.id === id)?.fixes[n]);
}

function planOffered(site: SiteReading, fix: Fix | undefined): Planned {
  if (fix?.kind === 'page') {
    const page = newPage(site, fix, (path, picture) => itemFor(site, path, picture));
    return kept(site, inQuotes(site, page), STATED['new-page']);
  }
  if (fix?.kind === 'follow') return takeNews(site, fix, planAlone);
  if (fix?.kind === 'rename') return kept(site, inQuotes(site, rename(site, fix)), STATED.rename);
  if (fix?.kind !== 'change') return refuse('This finding is fixed already, or the page has changed meanwhile.');
  return kept(site, inQuotes(site, fix.plan()), fix.states ?? STATES.attributes);
}

function withItem(site: SiteReading, id: string, plan: (found: FoundItem) => Planned): Planned {
  const found = itemOf(site, id);
  return found ? plan(found) : refuse(GONE);
}

function addPictures(
  site: SiteReading,
  { page: path, gallery: n, pictures, at, mapping }: Of<'add-pictures'>,
): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const items = pictures.map((picture) => itemFor(site, path, picture));
  const gallery = n === null ? undefined : page.galleries[n];
  const label = `Add ${pictures.length === 1 ? '1 picture' : `${pictures.length} pictures`} to ${path}`;
  if (n !== null && !gallery) return refuse(GALLERY_GONE);
  const { edited, notes } = gallery
    ? {
        edited: addItems(
          page.document,
          gallery,
          taggedFor(site, gallery, items, pictures),
          Math.min(at ?? Infinity, gallery.items.length),
        ),
        notes: {},
      }
    : galleryFor(site, page, items);
  const planned = planEdits(label, path, edited);
  if (!planned.ok) return planned;
  const said = { ...notes, ...notesOfList(site, pictures, mapping) };
  const noted = Object.keys(said).length === 0 ? [] : notesChange(site, said);
  return { ok: true, change: { label, files: [...planned.change.files, ...noted] } };
}

/** Tags that a list gives, and what its columns hold, for the next time. */
function notesOfList(
  site: SiteReading,
  pictures: readonly NewPicture[],
  mapping: ListMapping | undefined,
): Partial<SiteNotes> {
  const tagged = pictures.flatMap(({ full, tags = [] }): [string, string[]][] => {
    const content = site.files.get(full);
    return content?.kind === 'binary' && tags.length > 0
      ? [[content.hash, [...new Set([...(site.notes.known.tags[content.hash] ?? []), ...tags])]]]
      : [];
  });
  return {
    ...(tagged.length > 0 ? { tags: { ...site.notes.known.tags, ...Object.fromEntries(tagged) } } : {}),
    ...(mapping ? { lists: withMapping(site, mapping) } : {}),
  };
}

const withMapping = ({ notes }: SiteReading, mapping: ListMapping) =>
  [mapping, ...notes.known.lists.filter(({ columns }) => columns.join('\n') !== mapping.columns.join('\n'))].slice(
    0,
    50,
  );

function itemFor(site: SiteReading, page: string, { thumbnail, full, title, alt, caption }: NewPicture): NewItem {
  const size = site.factsOf(thumbnail);
  return {
    src: referenceTo(site.bases.get(page) ?? page, thumbnail),
    href: referenceTo(site.bases.get(page) ?? page, full),
    title,
    // An empty field means that nobody has said it yet, not that the picture is decoration.
    alt: alt.trim() === '' ? null : alt,
    caption,
    ...(size && !size.unreadable ? { width: size.width, height: size.height } : {}),
  };
}

/** An outside address is kept as it is. */
const referenceTo = (page: string, target: string): string =>
  /^https?:\/\//i.test(target) ? target : relativeReference(page, target);

function setFocus(site: SiteReading, { picture, focus }: Of<'set-focus'>): Planned {
  const content = site.files.get(picture);
  if (content?.kind !== 'binary') return refuse(`There is no ${picture} any more.`);
  // What is made again is made from the original, so it is noted of both.
  const record = madeFullSize(site.made, picture);
  const hashes = [content.hash, ...(record ? [record.of] : [])];
  const others = Object.fromEntries(Object.entries(site.notes.known.focus).filter(([hash]) => !hashes.includes(hash)));
  return changeNotes(site, `Cut ${nameOf(picture)} about ${focus ? 'another' : 'the suggested'} point`, {
    focus: focus ? { ...others, ...Object.fromEntries(hashes.map((hash) => [hash, focus])) } : others,
  });
}

function setNaming(site: SiteReading, { own, off }: Of<'set-naming'>): Planned {
  const trouble = own.map(troubleOf).find((one) => one !== null);
  return trouble
    ? refuse(trouble)
    : changeNotes(site, 'Change how thumbnails are named here', { naming: { own, off } });
}
