/** Tags by a rule: out of folders, dates, words and keywords of pictures. A new rule is a line in the table. */
import { takenAtOf, wordsOf, type SiteReading } from '../model/index.ts';
import { countOf, folderOf, type Planned, refuse } from '../site/index.ts';
import { tagAll } from './setTags.ts';

export const TAG_RULES = ['folder', 'year', 'month', 'keywords', 'text'] as const;
export type TagRule = (typeof TAG_RULES)[number];

interface RuleWish {
  rule: TagRule;
  paths: readonly string[];
  /** For `text`: what to look for, and the tag of pictures that say it. */
  said: { text: string; tag: string } | null;
}

type TagsFor = (site: SiteReading, path: string, wish: RuleWish) => readonly string[];

/** Folders that only say how large pictures are, or that they are pictures (common practice, no source). */
const SIZE_FOLDER =
  /^(?:large|big|full|full-?size|originals?|small|thumbs?|thumbnails?|images?|img|photos?|pictures?|pics|gallery|media|assets)$/i;

const RULES: Readonly<Record<TagRule, { says: string; none: string; tagsFor: TagsFor }>> = {
  folder: {
    says: 'folder',
    none: 'None of these pictures stands in a folder that says more than a size.',
    tagsFor: (_site, path) => {
      const folders = folderOf(path).split('/').filter(Boolean);
      return folders.filter((name) => !SIZE_FOLDER.test(name)).slice(-1);
    },
  },
  year: { says: 'year', none: 'Of none of these pictures a date is known.', tagsFor: dated(4) },
  month: { says: 'month', none: 'Of none of these pictures a month is known.', tagsFor: dated(7) },
  keywords: {
    says: 'keywords',
    none: 'None of these files holds keywords. Import pictures again that came in with an earlier version.',
    tagsFor: (site, path) => site.factsOf(path)?.keywords ?? [],
  },
  text: {
    says: 'text',
    none: 'None of these pictures says that.',
    tagsFor: (site, path, { said }) => {
      const sought = said?.text.trim().toLowerCase() ?? '';
      const { title, caption, alt } = wordsOf(site, path);
      const onPages = site.pages.flatMap(({ strands }) => strands.flat()).filter(({ full }) => full === path);
      const all = [title, caption, alt, ...onPages.flatMap((strand) => [strand.alt ?? '', strand.caption ?? ''])];
      return all.some((words) => words.toLowerCase().includes(sought)) && said ? [said.tag] : [];
    },
  },
};

/** The first so many letters of the ISO date. */
function dated(letters: number): TagsFor {
  return (site, path) => {
    const content = site.files.get(path);
    const hash = content?.kind === 'binary' ? content.hash : '';
    const taken = takenAtOf(site.notes.known, hash, site.factsOf(path), path);
    return taken !== null && taken.length >= letters ? [taken.slice(0, letters)] : [];
  };
}

export function tagByRule(site: SiteReading, wish: RuleWish): Planned {
  const { says, none, tagsFor } = RULES[wish.rule];
  if (wish.rule === 'text' && !wish.said?.text.trim())
    return refuse('Say what the text has to hold, and which tag it gives.');
  const byTag = new Map<string, string[]>();
  for (const path of wish.paths)
    for (const tag of tagsFor(site, path, wish)) {
      // Commas stand between tags.
      const name = tag.replaceAll(',', ' ').replace(/\s+/g, ' ').trim().slice(0, 60);
      if (name !== '') byTag.set(name, [...(byTag.get(name) ?? []), path]);
    }
  if (byTag.size === 0) return refuse(none);
  const tagged = new Set([...byTag.values()].flat());
  const wishes = [...byTag].map(([tag, paths]) => ({ paths, add: [tag], remove: [] }));
  return tagAll(site, wishes, `Tag ${countOf(tagged.size, 'picture')} by ${says}`);
}
