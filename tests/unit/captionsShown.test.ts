/** Wherever the program knows what is said of a picture, the viewer that it puts on shows that, in every manner. */
import { describe, expect, it } from 'vitest';
import { ODD_STYLES } from '../../core/markup/oddStyles.fixture.ts';
import { pageOf, STYLES } from '../../core/markup/styles.fixture.ts';
import { readSite } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { applyChange, type FileContent, type SiteFiles } from '../../core/site/index.ts';
import { predictionsOn } from '../../core/view/index.ts';
import { VIEWERS } from '../kits.ts';

const PATH = 'kites.html';
const ALL = [...STYLES, ...ODD_STYLES];
const OVERLAYS = VIEWERS.filter(({ manifest }) => manifest.does === 'overlay' && manifest.caption.from.length > 0);

const tidy = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** Of each picture what the page says of it, and what the viewer will show; null where it does not go onto the page. */
function captionsWith(body: string, kit: string): { said: string; shown: string }[] | null {
  const text = pageOf(body);
  const named = [...text.matchAll(/\b(?:[slgp]\/)?[\w-]+\.(?:jpg|webp|png|gif)\b/g)].map(
    ([path]): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 9 }],
  );
  const files: SiteFiles = new Map([[PATH, { kind: 'text', text }], ...named]);
  const planned = planFor(readSite(files, new Map(), VIEWERS), { kind: 'wire', page: PATH, kit });
  if (!planned.ok) return null;
  const applied = applyChange(files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const site = readSite(applied.files, new Map(), VIEWERS);
  const items = site.pages.flatMap(({ galleries }) => galleries.flatMap((gallery) => gallery.items));
  return predictionsOn(site, PATH).flatMap(({ prediction: { by, caption } }, n) => {
    const said = tidy(items[n]?.caption?.text ?? '');
    return by === null || said === '' ? [] : [{ said, shown: caption }];
  });
}

describe.each(OVERLAYS.map(({ manifest }) => manifest.name))('captions in the %s', (kit) => {
  it.each(ALL.map(({ name, body }) => [name, body] as const))('%s', (_name, body) => {
    const captions = captionsWith(body, kit) ?? [];
    expect(captions.filter(({ said, shown }) => said !== shown)).toEqual([]);
  });
});

it('are said in enough manners for that to mean something', () => {
  const [first] = OVERLAYS;
  const manners = ALL.filter(({ body }) => (captionsWith(body, first?.manifest.name ?? '') ?? []).length > 0);
  expect(manners.length).toBeGreaterThan(25);
});
