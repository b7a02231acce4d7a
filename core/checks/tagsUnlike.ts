import { type SiteReading, type TaggedItem, taggedItems, writeTags } from '../model/index.ts';
import { countOf, grouped, nameOf, type Planned } from '../site/index.ts';
import { type Observation, placeIn, type Rule } from './finding.ts';

/** Tags that are noted of the picture and that its item does not say. */
function lackedBy(site: SiteReading, { strand: { full }, tags }: TaggedItem): string[] {
  const content = full === null ? undefined : site.files.get(full);
  const noted = content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
  return noted.filter((tag) => !tags.includes(tag));
}

/** Those beyond what the page says stay as the author wrote them. */
const planFor = (site: SiteReading, path: string): Planned => {
  const planned = writeTags(site, (item) =>
    item.page.path === path ? [...item.tags, ...lackedBy(site, item)] : item.tags,
  );
  if (!planned.ok) return planned;
  return { ok: true, change: { ...planned.change, label: `Write the tags on ${path}` } };
};

export const tagsUnlike: Rule = {
  id: 'tags-unlike',
  station: 'markup',
  title: 'Pages whose pictures are chosen by tags say all tags of their pictures',
  find: (site) => {
    const lacking = taggedItems(site).filter((item) => lackedBy(site, item).length > 0);
    return [...grouped(lacking, ({ page }) => page)].map(([page, items]): Observation => {
      const [first] = items;
      const name = nameOf(first?.strand.full ?? '');
      const tag = first ? (lackedBy(site, first)[0] ?? '') : '';
      return {
        matter: page.path,
        severity: 'warning',
        says: `${countOf(items.length, 'picture')} on ${page.path} ${items.length === 1 ? 'lacks' : 'lack'} a tag: ${name} is “${tag}”.`,
        why: 'A visitor who chooses this tag does not see these pictures.',
        place: placeIn(page, first?.element.open),
        strand: first?.strand.id ?? null,
        joint: null,
        fixes: [{ kind: 'change', label: 'Write the tags', plan: () => planFor(site, page.path) }],
      };
    });
  },
};
