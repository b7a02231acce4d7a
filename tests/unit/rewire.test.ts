/**
 * Wiring with each kit, taking it off again, and changing from each to each other: all links answered, nothing left
 * behind.
 */
import { describe, expect, it } from 'vitest';
import { faultsOf } from '../faults.ts';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { planFor, type Intent } from '../../core/plans/index.ts';
import { applyChange, NOTES_FILE, type FileContent } from '../../core/site/index.ts';
import { predict } from '../../core/wiring/index.ts';
import { KITS, kitNamed } from '../kits.ts';
import { FACTS, kitFiles, NAMES, PARTS, wiredPage } from '../wiring/faults.fixture.ts';

type Files = ReadonlyMap<string, FileContent>;

function siteWith(texts: Record<string, string>): Map<string, FileContent> {
  const pictures = NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]);
  return new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...pictures.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1000 }]),
  ]);
}

const read = (files: Files): SiteReading => readSite(files, FACTS, KITS);
const textAt = (files: Files, path: string): string => {
  const content = files.get(path);
  return content?.kind === 'text' ? content.text : '';
};

function after(files: Files, intent: Intent): Map<string, FileContent> {
  const planned = planFor(read(files), intent);
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const back = applyChange(applied.files, applied.inverse);
  expect(back.ok && new Map([...back.files].sort())).toEqual(new Map([...files].sort()));
  return applied.files;
}

const OVERLAYS = KITS.filter(({ manifest }) => manifest.does === 'overlay').map(({ manifest }) => manifest.name);
/** Groups have names, or all links of a call are one. */
const namesGroups = (name: string): boolean => {
  const { group } = kitNamed(name).manifest;
  return group !== undefined && !('in' in group && ['call', 'gallery'].includes(group.in));
};
/** That modules do not work from disk is said of every page that has one. */
const findingsBeside = (site: SiteReading, kit: string): string[] => {
  const isModule = kitNamed(kit).manifest.files.some(({ module }) => module);
  const found = faultsOf(site).map(({ rule, says }) => `${rule}: ${says}`);
  if (!isModule) return found;
  expect(found.filter((one) => one.startsWith('module-from-disk'))).toHaveLength(1);
  return found.filter((one) => !one.startsWith('module-from-disk'));
};

const wiredByHand = (kit: string) => siteWith({ 'index.html': wiredPage(kit), ...kitFiles(kit) });

/** Every link is answered by the kit, all are one group in the order of the page, and there is nothing to find. */
function expectWhole(files: Files, kit: string): void {
  const site = read(files);
  const page = site.pages[0]!;
  expect(findingsBeside(site, kit)).toEqual([]);
  const predictions = page.galleries[0]!.items.map((item) => predict({ ...page, index: site.index }, item));
  expect(predictions.map(({ by, opens, shows }) => [by, opens, shows])).toEqual(
    NAMES.map((name) => [kit, 'viewer', `large/${name}.jpg`]),
  );
  expect(predictions.map(({ counter }) => counter)).toEqual(NAMES.map((_, n) => ({ at: n + 1, of: NAMES.length })));
  expect(predictions.map(({ next }) => next)).toEqual([...NAMES.slice(1).map((name) => `large/${name}.jpg`), null]);
}

describe.each(KITS.map(({ manifest }) => manifest.name))('the %s', (kit) => {
  const bare = siteWith({ 'index.html': kitNamed(kit).manifest.marker.on === 'sections' ? PARTS : wiredPage('none') });

  it('is wired with all its files, and taken off again without a trace', () => {
    const wired = after(bare, { kind: 'wire', page: 'index.html', kit });
    for (const { name } of kitNamed(kit).manifest.files)
      expect(textAt(wired, `${kitNamed(kit).manifest.folder}/${name}`)).toBe(kitNamed(kit).files[name]);
    expect(findingsBeside(read(wired), kit)).toEqual([]);
    const again = planFor(read(wired), { kind: 'wire', page: 'index.html', kit });
    expect(again).toEqual({ ok: false, reason: expect.stringContaining('wired already') });
    const off = after(wired, { kind: 'unwire', page: 'index.html', kit });
    expect(textAt(off, 'index.html')).toBe(textAt(bare, 'index.html'));
    expect([...off.keys()].sort()).toEqual([...bare.keys()].sort());
  });
});

describe.each(OVERLAYS)('the %s', (kit) => {
  it('is whole as a page is wired with it', () =>
    expectWhole(after(siteWith({ 'index.html': wiredPage('none') }), { kind: 'wire', page: 'index.html', kit }), kit));

  it('comes off a page that was wired by hand', () => {
    const off = after(wiredByHand(kit), { kind: 'unwire', page: 'index.html', kit });
    expect(read(off).pages[0]?.wiring.uses).toEqual([]);
    const container = kit === 'sidebay' ? /\n<div id="bay"><\/div>/ : /^$/;
    expect(textAt(off, 'index.html').replace(container, '')).toBe(
      wiredPage('none').replaceAll(/ title="[^"]*"/g, kit === 'sidebay' ? '' : '$&'),
    );
  });

  it.each(OVERLAYS.filter((other) => other !== kit))('changes to the %s with its groups and captions', (other) => {
    const before = wiredByHand(kit);
    const captions = (files: Files) =>
      read(files).pages[0]!.galleries[0]!.items.map(
        (item) => predict({ ...read(files).pages[0]!, index: read(files).index }, item).caption,
      );
    const changed = after(before, { kind: 'change-kit', page: 'index.html', from: kit, to: other });
    expectWhole(changed, other);
    expect([...changed.keys()].filter((path) => path.startsWith(`${kitNamed(kit).manifest.folder}/`))).toEqual([]);
    expect(captions(changed)).toEqual(captions(before));
    // The author's group goes along wherever the other kit has a name for it.
    if (namesGroups(other) && namesGroups(kit))
      expect(textAt(changed, 'index.html').match(/<a[^>]*="(?:flare\[)?kites\]?"/g)?.length).toBe(NAMES.length);
    const back = after(changed, { kind: 'change-kit', page: 'index.html', from: other, to: kit });
    expectWhole(back, kit);
    expect(captions(back)).toEqual(captions(before));
    const named = (files: Files) => [...files.keys()].filter((path) => path !== NOTES_FILE).sort();
    expect(named(back)).toEqual(named(before));
    // Tags and words are those of the page before; the author’s order of lines in the head is not told again.
    const told = (files: Files) =>
      read(files)
        .pages[0]!.document.elements.map(({ tag, attributes }) =>
          [tag, ...attributes.map(({ name, value }) => `${name}=${value}`).sort()].join(' '),
        )
        .sort();
    expect(told(back)).toEqual(told(before));
  });
});

describe('a page in which the lines would not be read as lines', () => {
  it.each([
    ['a remark that is not closed', '<!-- to do'],
    ['a text field that is not closed', '<textarea>'],
    ['a script that is not closed', '<script>'],
  ])('%s: nothing is written, and that is said', (_name, open) => {
    const files = siteWith({ 'index.html': wiredPage('none').replace('</body>', `${open}\n</body>`) });
    expect(planFor(read(files), { kind: 'wire', page: 'index.html', kit: 'peephole' })).toEqual({
      ok: false,
      reason: 'The change was not made: the page would be read otherwise than meant.',
    });
  });
});

describe('what is shared and what is the author’s', () => {
  const two = () =>
    siteWith({ 'index.html': wiredPage('lightbox'), 'more.html': wiredPage('lightbox'), ...kitFiles('lightbox') });

  it('files that another page needs stay', () => {
    const off = after(two(), { kind: 'unwire', page: 'index.html', kit: 'lightbox' });
    expect(off.has('viewer/lightbox.js')).toBe(true);
    expect(after(off, { kind: 'unwire', page: 'more.html', kit: 'lightbox' }).has('viewer/lightbox.js')).toBe(false);
  });

  it('a kit’s file that the author has changed stays', () => {
    const files = new Map(wiredByHand('lightbox')).set('viewer/lightbox.css', { kind: 'text', text: '/* mine */' });
    const off = after(files, { kind: 'unwire', page: 'index.html', kit: 'lightbox' });
    expect([off.has('viewer/lightbox.css'), off.has('viewer/lightbox.js')]).toEqual([true, false]);
  });

  it('a call in a script that other pages run asks first from now on', () => {
    const withScript = (text: string) => text.replace('</head>', '<script src="js/kites.js" defer></script>\n</head>');
    const files = siteWith({
      'index.html': withScript(wiredPage('lightbox')),
      'more.html': withScript(wiredPage('lightbox')),
      'js/kites.js': '/* Ours */\nstartLightbox({ loop: true });\nwindow.kites = 3;\n',
      ...kitFiles('lightbox'),
    });
    const off = after(files, { kind: 'unwire', page: 'index.html', kit: 'lightbox' });
    expect(textAt(off, 'js/kites.js')).toBe(
      '/* Ours */\nif (window.startLightbox) startLightbox({ loop: true });\nwindow.kites = 3;\n',
    );
    expect(textAt(after(off, { kind: 'unwire', page: 'more.html', kit: 'lightbox' }), 'js/kites.js')).toBe(
      '/* Ours */\nwindow.kites = 3;\n',
    );
  });

  it('a script that does more than start the kit keeps the rest', () => {
    const files = siteWith({
      'index.html': wiredPage('peephole').replace(
        "<script>peephole('.peep');</script>",
        "<script>\r\n  window.kites = 3;\r\n  peephole('.peep', { counter: false });\r\n</script>",
      ),
      ...kitFiles('peephole'),
    });
    expect(textAt(after(files, { kind: 'unwire', page: 'index.html', kit: 'peephole' }), 'index.html')).toContain(
      '<script>\r\n  window.kites = 3;\r\n</script>',
    );
  });

  it('a call whose outcome is used is not torn out', () => {
    const files = siteWith({
      'index.html': wiredPage('peephole').replace("peephole('.peep');", "var box = peephole('.peep');"),
      ...kitFiles('peephole'),
    });
    expect(planFor(read(files), { kind: 'unwire', page: 'index.html', kit: 'peephole' })).toEqual({
      ok: false,
      reason: expect.stringMatching(/uses what peephole\(\) gives back/),
    });
  });

  it.each<[string, Intent, RegExp]>([
    ['a second viewer beside the first', { kind: 'wire', page: 'index.html', kit: 'lantern' }, /answered twice/],
    ['an unknown kit', { kind: 'wire', page: 'index.html', kit: 'none' }, /no viewer “none”/],
    ['a change to itself', { kind: 'change-kit', page: 'index.html', from: 'lightbox', to: 'lightbox' }, /already/],
    ['a kit that is not there', { kind: 'unwire', page: 'index.html', kit: 'sidebay' }, /Nothing of this viewer/],
  ])('%s is refused', (_, intent, reason) =>
    expect(planFor(read(wiredByHand('lightbox')), intent)).toEqual({
      ok: false,
      reason: expect.stringMatching(reason),
    }),
  );
});

describe('a marker in an attribute that an author uses as well', () => {
  const own = wiredPage('none').replaceAll('<a href', '<a rel="nofollow" href');
  const site = () => siteWith({ 'index.html': own });

  it('stands before what is said there, which stays through every change', () => {
    const wired = after(site(), { kind: 'wire', page: 'index.html', kit: 'flare' });
    expect(textAt(wired, 'index.html')).toContain('rel="flare[index] nofollow"');
    expectWhole(wired, 'flare');
    const changed = after(wired, { kind: 'change-kit', page: 'index.html', from: 'flare', to: 'lightbox' });
    expect(textAt(changed, 'index.html').match(/rel="nofollow"/g)).toHaveLength(NAMES.length);
    const again = after(changed, { kind: 'change-kit', page: 'index.html', from: 'lightbox', to: 'flare' });
    expect(textAt(again, 'index.html').match(/rel="flare\[index\] nofollow"/g)).toHaveLength(NAMES.length);
    const off = after(again, { kind: 'unwire', page: 'index.html', kit: 'flare' });
    expect(textAt(off, 'index.html')).toBe(own);
  });
});

describe('several pages in one change', () => {
  const three = siteWith({
    'index.html': wiredPage('none'),
    'more/second.html': wiredPage('none').replaceAll('="small/', '="../small/').replaceAll('="large/', '="../large/'),
    'third.html': wiredPage('none').replaceAll('\n', '\r\n'),
  });
  const overLists = KITS.filter(({ manifest }) => manifest.marker.on !== 'sections');

  it.each(overLists.map(({ manifest }) => manifest.name))('with %s are as they are one after the other', (kit) => {
    const also = ['more/second.html', 'third.html'];
    const together = after(three, { kind: 'wire', page: 'index.html', kit, also });
    let apart = after(three, { kind: 'wire', page: 'index.html', kit });
    for (const page of also) apart = after(apart, { kind: 'wire', page, kit });
    expect(new Map([...together].sort())).toEqual(new Map([...apart].sort()));
  });

  it('are refused together where one cannot be, with its name', () => {
    const bare = siteWith({ 'index.html': wiredPage('none'), 'words.html': '<p>No pictures</p>' });
    const wish: Intent = { kind: 'wire', page: 'index.html', kit: 'lightbox', also: ['words.html'] };
    expect(planFor(read(bare), wish)).toMatchObject({ ok: false, reason: expect.stringMatching(/^words\.html: /) });
    const gone: Intent = { kind: 'wire', page: 'index.html', kit: 'lightbox', also: ['gone.html'] };
    expect(planFor(read(bare), gone)).toEqual({ ok: false, reason: 'One of these pages is not there any more.' });
  });
});
