import { type Following, followings } from '../model/index.ts';
import { countOf, nameOf } from '../site/index.ts';
import { type Observation, placeIn, type Rule } from './finding.ts';

/** “2 pictures are new, 1 is gone, 3 texts differ”; null where nothing does but what was changed by hand. */
function saysNews({ compared }: Following): string | null {
  const news = compared.differences.filter(({ byHand }) => !byHand);
  const count = (...kinds: readonly string[]) => news.filter(({ kind }) => kinds.includes(kind)).length;
  const [added, removed, texts] = [count('added'), count('removed'), count('text', 'tags')];
  const said = [
    ...(added > 0 ? [`${countOf(added, 'picture')} ${added === 1 ? 'is' : 'are'} new in it`] : []),
    ...(removed > 0 ? [`${countOf(removed, 'picture')} ${removed === 1 ? 'is' : 'are'} gone from it`] : []),
    ...(texts > 0 ? [`${countOf(texts, 'text')} ${texts === 1 ? 'differs' : 'differ'}`] : []),
    ...(count('order') > 0 ? ['the order differs'] : []),
  ];
  return said.length === 0 ? null : said.join(', ');
}

export const listOutdated: Rule = {
  id: 'list-outdated',
  station: 'markup',
  title: 'Galleries that follow a list show what it says',
  find: (site) =>
    followings(site).flatMap((following): Observation[] => {
      const { followed, page, gallery, compared } = following;
      const { path } = followed.source;
      const name = followed.source.kind === 'list' ? nameOf(path) : path || 'the folder of the site';
      const says = compared.reason ?? saysNews(following);
      if (says === null) return [];
      const container = gallery === null ? undefined : page.galleries[gallery]?.container;
      const isReadable = compared.reason === null;
      return [
        {
          matter: `${page.path}:${path}`,
          severity: 'warning',
          says: isReadable ? `${page.path} differs from ${name}: ${says}.` : `${page.path} follows ${name}: ${says}`,
          why: isReadable
            ? 'The list has changed since the page was written from it.'
            : 'Nobody can say whether the page shows what the list says.',
          place: placeIn(page, container?.open),
          strand: null,
          joint: null,
          fixes: isReadable ? [{ kind: 'follow', label: `Take over what ${name} says`, page: page.path, path }] : [],
        },
      ];
    }),
};
