/**
 * Every kind of work on every manner in which galleries are written, judged by parse5 and by Node's own `URL` as work
 * on strangers' pages is (`tests/strangers`): nothing is lost, nothing comes that was not asked for, all is undone.
 */
import { describe, expect, it } from 'vitest';
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import { ODD_STYLES } from '../../core/markup/oddStyles.fixture.ts';
import { pageOf, STYLES } from '../../core/markup/styles.fixture.ts';
import { readSite } from '../../core/model/index.ts';
import { planFor, type Intent } from '../../core/plans/index.ts';
import { applyChange, type FileContent, type SiteFiles } from '../../core/site/index.ts';
import { KITS, VIEWERS } from '../kits.ts';
import { tryAll } from '../strangers/trials.ts';

const ALL = [...STYLES, ...ODD_STYLES];

/** What the page names is there, so that addresses lead somewhere. */
function siteOf(text: string): Map<string, FileContent> {
  const named = [...text.matchAll(/\b(?:[slgp]\/)?[\w-]+\.(?:jpg|webp|png|gif)\b/g)].map(([path]) => path);
  return new Map<string, FileContent>([
    ['kites.html', { kind: 'text', text }],
    ['other.html', { kind: 'text', text: pageOf('<p><a href="kites.html">Kites</a> <img src="s/a.jpg" alt=""></p>') }],
    ...[...new Set(named)].map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 9 }]),
  ]);
}

it('are more than eighty', () => expect(ALL.length).toBeGreaterThan(80));

describe.each(ODD_STYLES)('$name', ({ body, galleries, captions, targets }) => {
  it('is read as its author means it', () => {
    const found = galleriesOf(parsePage(pageOf(body)));
    expect(found.map(({ items }) => items.map((item) => (item.source ?? item.target)?.value))).toEqual(galleries);
    const named = galleries[0]?.map((source) => source.replace(/^s\//, 'l/'));
    expect(found[0]?.items.map(({ target }) => target?.value ?? null)).toEqual(targets ?? named);
    if (captions) expect(found[0]?.items.map(({ caption }) => caption?.text ?? null)).toEqual(captions);
  });
});

describe.each([
  ['line breaks of one', {}],
  ['line breaks of two, behind a byte order mark', { crlf: true, bom: true }],
] as const)('every work, with %s', (_name, variant) => {
  it.each(ALL.map(({ name, body }) => [name, body] as const))('%s', (name, body) => {
    const site = readSite(siteOf(pageOf(body, variant)), new Map(), VIEWERS);
    const page = site.pages.find(({ path }) => path === 'kites.html');
    if (!page) throw new Error('There is no page.');
    const outcome = tryAll(site, page, name, name.length);
    expect([...outcome.losses, ...outcome.badUndos]).toEqual([]);
    // What would have vanished is said before it is tried.
    expect(
      [...outcome.refusals.keys()].filter((reason) => /would have (?:vanished|appeared|moved)/.test(reason)),
    ).toEqual([]);
    const refused = [...outcome.refusals.values()].reduce((sum, count) => sum + count, 0);
    expect(outcome.operations - refused).toBeGreaterThan(3);
  });
});

describe('a viewer put on, changed for another and taken off again', () => {
  const does = (files: SiteFiles, intent: Intent): SiteFiles | null => {
    const planned = planFor(readSite(files, new Map(), KITS), intent);
    if (!planned.ok) return null;
    const applied = applyChange(files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    return applied.files;
  };
  const OVERLAYS = KITS.filter(({ manifest }) => manifest.does === 'overlay').map(({ manifest }) => manifest.name);
  const page = 'kites.html';
  const textIn = (files: SiteFiles | null): string => {
    const content = files?.get(page);
    return content?.kind === 'text' ? content.text : '';
  };

  it.each(ALL.map(({ name, body }, n) => [name, body, n] as const))('leaves nothing behind: %s', (_name, body, n) => {
    const bare = siteOf(pageOf(body, n % 2 === 0 ? {} : { crlf: true, bom: true }));
    // Each manner has its turn with some of them; `ROUNDS` has it with all.
    const kits = KITS.filter((_, at) => process.env.ROUNDS !== undefined || at % 5 === n % 5);
    for (const { manifest } of kits) {
      const wired = does(bare, { kind: 'wire', page, kit: manifest.name });
      if (wired) expect(does(wired, { kind: 'unwire', page, kit: manifest.name })?.get(page)).toEqual(bare.get(page));
    }
    const [from = '', to = ''] = [0, 1].map((more) => OVERLAYS[(n + more) % OVERLAYS.length]);
    const wired = does(bare, { kind: 'wire', page, kit: from });
    const changed = wired && does(wired, { kind: 'change-kit', page, from, to });
    if (!changed) return;
    // What stood under a picture goes along as its title, and goes with the viewer that looks there.
    expect(textIn(does(changed, { kind: 'unwire', page, kit: to }))).toBe(textIn(bare));
  });
});
