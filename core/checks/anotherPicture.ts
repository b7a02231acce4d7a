import { THUMBNAIL_BOX } from '../photo/index.ts';
import { nameOf, stemOf } from '../site/index.ts';
import { itemsOf, placeIn, type Finding, type Rule } from './finding.ts';
import { attributeOf } from '../markup/index.ts';

export const anotherPicture: Rule = {
  id: 'another-picture',
  station: 'pairs',
  title: 'Every thumbnail shows the picture that it opens',
  find: (site) => [...itemsOf(site)].flatMap(({ page, strand, item }): Finding[] => {
    const pair = site.pairing.pairs.find((one) => one.thumbnail !== null && one.thumbnail === strand.thumbnail && one.full === strand.full);
    if (pair?.state !== 'another picture' || !pair.thumbnail) return [];
    return [{
      id: `another-picture:${page.path}:${pair.thumbnail}`,
      rule: 'another-picture',
      station: 'pairs',
      severity: 'broken',
      says: `${nameOf(pair.thumbnail)} shows ${pair.shows ? stemOf(pair.shows) : 'another picture'}, not ${stemOf(pair.full)}.`,
      why: `A visitor chooses one picture and gets another. ${pair.distance} of 64 bits of the two pictures’ perceptual hashes differ.`,
      place: placeIn(page, item.image && attributeOf(item.image, 'src')?.range),
      strand: strand.id,
      joint: 'thumbnail',
      fixes: [{ kind: 'picture', label: `Make it anew from ${nameOf(pair.full)}`, tasks: [{ from: pair.full, to: pair.thumbnail, box: THUMBNAIL_BOX }] }],
    }];
  }),
};
