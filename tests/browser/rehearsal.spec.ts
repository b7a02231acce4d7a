/**
 * The rehearsal against the model, on pages opened from disk: each kit, and each planted wiring fault with its mend.
 */
import { findingsOf } from '../../core/checks/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { applyChange } from '../../core/site/index.ts';
import { KITS } from '../kits';
import { faultySite, kitFiles, NAMES, PARTS, wiredPage } from '../wiring/faults.fixture';
import { ALL_FAULTS } from '../wiring/moduleFaults.fixture';
import { filesFrom, placeOf, read, rehearsePage } from '../wiring/rehearsing';
import { expect, LONG, test } from './fixtures';

test.beforeEach(({ expected }) => {
  expected.console.push(/./);
});

const BY_HAND = ['none', 'lightbox', 'lantern', 'peephole', 'sidebay', 'glow', 'beam', 'gleam', 'flare', 'dazzle'];

for (const kit of [...BY_HAND, 'gloam', 'gloss', 'parade']) {
  test(`a page wired by hand with ${kit} does on every strand what the model says`, async ({ page }) => {
    const rehearsed = await rehearsePage(page, filesFrom({ 'index.html': wiredPage(kit), ...kitFiles(kit) }));
    expect(rehearsed.map(({ name, disagreements }) => ({ name, disagreements }))).toEqual(
      NAMES.map((name) => ({ name: `large/${name}.jpg`, disagreements: [] })),
    );
    for (const [n, { seen }] of rehearsed.entries()) {
      expect(seen.shows).toBe(`large/${NAMES[n]}.jpg`);
      if (kit === 'none') expect(seen.opened).toBe('address');
      else
        expect(seen).toMatchObject({
          opened: 'viewer',
          loaded: true,
          natural: { width: 900, height: 600 + n * 40 },
          counter: { at: n + 1, of: 4 },
          layers: 1,
          errors: [],
          missing: [],
          closed: kit === 'peephole' || kit === 'lightbox' ? 'key' : expect.stringMatching(/key|button/),
        });
    }
  });
}

for (const [at, { manifest }] of KITS.entries()) {
  const tag = at % 2 === 0 ? [] : LONG;
  test(`a page that the program wires with ${manifest.name} does so too`, { tag }, async ({ page }) => {
    const files = filesFrom({ 'index.html': manifest.marker.on === 'sections' ? PARTS : wiredPage('none') });
    const planned = planFor(read(files), { kind: 'wire', page: 'index.html', kit: manifest.name });
    if (!planned.ok) throw new Error(planned.reason);
    const wired = applyChange(files, planned.change);
    if (!wired.ok) throw new Error(wired.reason);
    const rehearsed = await rehearsePage(page, wired.files);
    expect(rehearsed.map(({ name, disagreements }) => ({ name, disagreements }))).toEqual(
      NAMES.map((name) => ({ name: `large/${name}.jpg`, disagreements: [] })),
    );
    const opens = manifest.does === 'overlay' || manifest.does === 'stage';
    expect(rehearsed.map(({ seen }) => [seen.opened, seen.shows])).toEqual(
      NAMES.map((name) => [opens ? 'viewer' : 'address', `large/${name}.jpg`]),
    );
    expect(rehearsed.map(({ seen }) => seen.reached)).toEqual(
      NAMES.map((_, n) => {
        if (n > 0 && manifest.does === 'show') return 'step';
        return n > 1 && manifest.marker.on === 'sections' ? 'tab' : 'at once';
      }),
    );
  });
}

test('a thumbnail that something lay over is no viewer that stays open', async ({ page }) => {
  const over = `<script>
    const last = [...document.links].at(-1).parentElement;
    last.style.position = 'relative';
    last.insertAdjacentHTML('beforeend', '<p id="over" style="position: absolute; inset: 0; background: tan">Over it</p>');
    addEventListener('keydown', ({ key }) => key === 'Escape' && document.getElementById('over').remove());
  </script>`;
  const html = wiredPage('lightbox').replace('</body>', `${over}</body>`);
  const [first] = await rehearsePage(
    page,
    filesFrom({ 'index.html': html, ...kitFiles('lightbox') }),
    'index.html',
    [0],
  );
  expect(first?.seen).toMatchObject({ opened: 'viewer', closed: 'key' });
  expect(await page.locator('#over').count()).toBe(0);
});

test('a small file that is missing does not end the wait for the large one', async ({ page }) => {
  const late = `<script>
    const { showModal } = HTMLDialogElement.prototype;
    HTMLDialogElement.prototype.showModal = function () { setTimeout(() => showModal.call(this), 150); };
  </script>`;
  const html = wiredPage('lightbox').replace('</head>', `${late}</head>`);
  const files = filesFrom({ 'index.html': html, ...kitFiles('lightbox') });
  files.delete(`small/${NAMES[0]}.jpg`);
  const [first] = await rehearsePage(page, files, 'index.html', [0]);
  expect(first?.seen).toMatchObject({ opened: 'viewer', shows: `large/${NAMES[0]}.jpg`, loaded: true });
});

for (const picker of ['dots', 'thumbnails', 'none'])
  test(`in a show with ${picker} the rehearsal goes to a picture as a visitor would`, async ({ page }) => {
    const items = NAMES.map(
      (name) => `<li><a href="large/${name}.jpg"><img src="small/${name}.jpg" alt="Kites at the ${name}"></a></li>`,
    );
    const count = `document.addEventListener('click', (event) => {
      if (event.target.closest('.slides-next')) document.body.dataset.steps = Number(document.body.dataset.steps || 0) + 1;
    });`;
    const files = filesFrom({
      'index.html': `<!DOCTYPE html><title>Kites</title><script src="viewer/slideshow.js" defer></script>
        <link rel="stylesheet" href="viewer/slideshow.css"><script>${count}</script>
        <ul data-slides data-slides-play data-slides-picker="${picker}">${items.join('')}</ul>`,
      ...kitFiles('slideshow'),
    });
    const [last] = await rehearsePage(page, files, 'index.html', [3]);
    expect(last?.seen).toMatchObject({ reached: 'step', shows: 'large/reel.jpg' });
    expect(await page.locator('body').getAttribute('data-steps')).toBe(picker === 'none' ? '3' : null);
  });

for (const [at, fault] of ALL_FAULTS.entries()) {
  const tag = at % 8 === 0 ? [] : LONG;
  test(`${fault.name}: the browser does what is said, and after the mend all is whole`, { tag }, async ({ page }) => {
    const files = filesFrom(faultySite(fault));
    const n = fault.breaks ?? 0;
    // What goes wrong from disk alone is looked at there.
    const from = fault.rule === 'module-from-disk' ? 'disk' : placeOf(files);
    const [broken] = await rehearsePage(page, files, 'index.html', [n], from);
    expect(broken?.disagreements ?? [], 'the model and the browser agree on the fault').toEqual([]);
    // What a visitor is promised: this picture, in the viewer, alone and among its neighbours.
    const isWhole = (one: typeof broken) =>
      one !== undefined &&
      one.seen.opened === 'viewer' &&
      one.seen.loaded &&
      one.seen.layers === 1 &&
      one.seen.shows === `large/${NAMES[n]}.jpg` &&
      (one.seen.next ?? one.seen.back) !== null;
    expect(isWhole(broken), 'the click goes wrong').toBe(fault.breaks === null);
    // What other scripts take is not there to be shown.
    if (fault.name.includes('titles')) expect(broken?.seen.words.join(' ')).not.toContain('kite');
    if (fault.fix === null) return;
    const site = read(files);
    const finding = findingsOf(site).find(({ rule }) => rule === fault.rule);
    const planned = planFor(site, {
      kind: 'fix',
      finding: finding?.id ?? '',
      fix: finding?.fixes.findIndex(({ label }) => fault.fix?.test(label)) ?? -1,
    });
    if (!planned.ok) throw new Error(planned.reason);
    const mended = applyChange(files, planned.change);
    if (!mended.ok) throw new Error(mended.reason);
    const [after] = await rehearsePage(page, mended.files, 'index.html', [n]);
    expect(after?.disagreements, 'the model and the browser agree on the mend').toEqual([]);
    expect(isWhole(after), 'the click goes right').toBe(true);
  });
}
