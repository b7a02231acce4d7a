import { describe, expect, it } from 'vitest';
import { galleriesOf, parsePage } from '../markup/index.ts';
import { altStanding } from './altStanding.ts';

const standing = (inner: string, more = '') => {
  const items = [1, 2, 3].map((n) => `<li><a href="l/IMG_000${n}.jpg"${more}>${inner}</a></li>`).join('\n');
  const [gallery] = galleriesOf(parsePage(`<ul>\n${items.replaceAll('src', 'src="s.jpg"')}\n</ul>`));
  const [item] = gallery?.items ?? [];
  return item && altStanding(item, ['l/IMG_0001.jpg', 's.jpg']);
};

describe('the alt text of an item', () => {
  it.each([
    ['said', '<img src alt="A kite">', ''],
    ['absent', '<img src>', ''],
    ['name', '<img src alt="IMG_0001">', ''],
    ['name', '<img src alt=" img 0001 ">', ''],
    ['name', '<img src alt="DSC 0117">', ''],
    ['name', '<img src alt="image">', ''],
    ['unnamed', '<img src alt="">', ''],
    ['unnamed', '<img src alt="  ">', ' title=" "'],
    ['empty', '<img src alt=""> A kite', ''],
    ['empty', '<img src alt="">', ' title="A kite"'],
    ['empty', '<img src alt="">', ' aria-label="A kite"'],
  ])('is %s in %s%s', (expected, inner, more) => expect(standing(inner, more)).toBe(expected));

  it('is none where there is no image', () => expect(altStanding({ image: null, link: null }, [])).toBeNull());
});
