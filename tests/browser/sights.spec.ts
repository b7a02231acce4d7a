/**
 * What a rehearsal sees of good and bad pages: sizes, sharpness, what is cut off or covered, buttons, swipes, history
 * and focus. The viewer that does everything badly is written here; what is expected of it follows from its own style.
 */
import type { Page } from '@playwright/test';
import { sightsOf, type Seen } from '../../core/wiring/index.ts';
import { kitFiles, NAMES, wiredPage } from '../wiring/faults.fixture';
import { filesFrom, rehearsePage } from '../wiring/rehearsing';
import { expect, LONG, test } from './fixtures';

const WINDOWS = { desktop: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } } as const;
type WindowName = keyof typeof WINDOWS;

/** A viewer as people write one in an hour; `style` is of the box that it opens, `script` runs in it. */
const ownViewer = (style: string, script = '', buttons = '') => `
<style>
#box { position: fixed; inset: 0; background: #000; ${style} }
#box:not(.on) { display: none; }
</style>
<div id="box"><img alt="">${buttons}<p></p></div>
<script>
  const box = document.getElementById('box');
  const links = [...document.querySelectorAll('.kites a')];
  let at = 0;
  function show(n) {
    at = n;
    box.querySelector('img').src = links[n].href;
    box.querySelector('p').textContent = links[n].querySelector('img').alt;
    box.classList.add('on');
  }
  function step(by) { if (links[at + by]) show(at + by); }
  function hide() { box.classList.remove('on'); box.querySelector('img').removeAttribute('src'); }
  links.forEach((link, n) => link.addEventListener('click', (event) => { event.preventDefault(); show(n); }));
  addEventListener('keydown', ({ key }) => {
    if (!box.classList.contains('on')) return;
    if (key === 'Escape') hide();
    if (key === 'ArrowRight') step(1);
    if (key === 'ArrowLeft') step(-1);
  });
  ${script}
</script>`;

const BUTTONS = '<button aria-label="Next">n</button><button aria-label="Previous">p</button>';

const pageWith = (end: string, head = '', top = '') =>
  wiredPage('none')
    .replace('</head>', `<meta name="viewport" content="width=device-width">${head}</head>`)
    .replace('<body>', `<body>${top}`)
    .replace('</body>', `${end}</body>`);

async function rehearsed(page: Page, html: string, window: WindowName = 'desktop', kit = 'none') {
  await page.setViewportSize(WINDOWS[window]);
  const files = filesFrom({ 'index.html': html, ...kitFiles(kit) });
  const [second] = await rehearsePage(page, files, 'index.html', [1]);
  if (!second) throw new Error('Nothing was rehearsed.');
  const found = sightsOf({ window, ...second }).filter(({ severity }) => severity !== 'unconfirmed');
  return { seen: second.seen, found: found.map(({ says }) => says) };
}

async function seenOn(page: Page, html: string, window?: WindowName): Promise<Seen> {
  return (await rehearsed(page, html, window)).seen;
}

async function foundOn(page: Page, html: string): Promise<string[]> {
  return (await rehearsed(page, html)).found;
}

test.beforeEach(({ expected }) => {
  expected.console.push(/./);
});

for (const window of ['desktop', 'phone'] as const)
  test(`a page with the lightbox is seen to be well in a ${window} window`, async ({ page }) => {
    const html = wiredPage('lightbox').replace('</head>', '<meta name="viewport" content="width=device-width"></head>');
    const { seen, found } = await rehearsed(page, html, window, 'lightbox');
    expect(seen).toMatchObject({
      window: WINDOWS[window],
      onPage: { file: 'small/mere.jpg', natural: { width: 60, height: 40 }, sharpness: 1, cropped: 0, covered: null },
      hidden: [],
      natural: { width: 900, height: 640 },
      whole: true,
      cropped: 0,
      covered: null,
      clipped: [],
      controls: { next: true, back: true, close: true },
      swipe: 'steps',
      panned: false,
      focus: 'link',
      history: 'returned',
    });
    // 640 of 900 as wide as the phone, or as high as a desktop leaves room for.
    if (window === 'phone') expect(seen.size).toEqual({ width: 390, height: 277 });
    expect(seen.sharpness).toBeCloseTo(900 / seen.size!.width, 1);
    expect(found).toEqual([]);
  });

test('thumbnails drawn larger than they are', async ({ page }) => {
  const html = pageWith('', '<style>.kites img { width: 600px; height: 400px }</style>');
  expect(await foundOn(page, html)).toEqual(['A file of 60 px fills 600 px on the page: mere.jpg']);
});

test('a slideshow whose slide lies over the menu', async ({ page }) => {
  const banner =
    '<div class="banner" style="position: absolute; inset: 0 0 auto; height: 120px; background: #246"></div>';
  const menu = '<nav class="menu"><a href="index.html">Home</a></nav>';
  expect(await foundOn(page, pageWith('', '', `${menu}${banner}`))).toEqual([
    'Something lies over <nav.menu> when the page opens',
    'Something lies over <h1> “Kites” when the page opens',
  ]);
  const below = banner.replace('background: #246', 'z-index: -1; background: #246');
  expect(await foundOn(page, pageWith('', '', `${menu}${below}`))).toEqual([]);
});

test('what of a picture is cut off, and how sharp it is', async ({ page }) => {
  const fills = ownViewer('& img { width: 100%; height: 100%; object-fit: cover }', '', BUTTONS);
  const covering = await seenOn(page, pageWith(fills));
  // 900 × 640 that covers 1280 × 800: drawn 1280 × 910, of which 800 are seen.
  expect(covering.cropped).toBeCloseTo(1 - 800 / (1280 / 900) / 640, 2);
  expect(covering.sharpness).toBeCloseTo(900 / 1280, 2);
  const bare = await seenOn(page, pageWith(ownViewer('overflow: auto; & img { width: 2000px }')));
  expect(bare).toMatchObject({ whole: false, size: { width: 2000, height: 1422 }, sharpness: 0.45 });
  const boxed = await seenOn(page, pageWith(ownViewer('width: 450px; height: 640px; overflow: hidden')));
  expect(boxed).toMatchObject({ whole: true, sharpness: 1, cropped: 0.5 });
});

test('the file is measured, whatever size a page offers it for', async ({ page }) => {
  const html = pageWith('').replace(
    'src="small/mere.jpg" width="60" height="40"',
    'src="small/mere.jpg" srcset="small/mere.jpg 60w" sizes="300px" style="width: 300px"',
  );
  const { onPage } = await seenOn(page, html);
  expect(onPage).toMatchObject({ natural: { width: 60, height: 40 }, sharpness: 0.2 });
});

test('something over the picture, and a caption that is cut off', async ({ page }) => {
  const end = ownViewer(
    '& img { width: 900px } & b { position: absolute; inset: 0 auto auto 0; width: 450px; height: 640px; background: #fff } & p { width: 3ch; overflow: hidden; white-space: nowrap; color: #fff; position: absolute; bottom: 0 }',
    '',
    `<b class="over"></b>${BUTTONS}`,
  );
  const seen = await seenOn(page, pageWith(end));
  expect(seen.covered?.by).toBe('<b.over>');
  expect(seen.covered?.share).toBeGreaterThan(0.4);
  expect(seen.clipped).toEqual(['Mere kite']);
});

test('a viewer without buttons, without history, that loses the focus', async ({ page }) => {
  const loses = ownViewer(
    '& img { width: 700px }',
    `addEventListener('keydown', ({ key }) => key === 'Escape' && document.activeElement.blur());`,
  );
  const seen = await seenOn(page, pageWith(loses), 'phone');
  expect(seen).toMatchObject({
    controls: { next: false, back: false, close: false },
    swipe: 'nothing',
    panned: true,
    closed: 'key',
    focus: 'lost',
    history: 'untouched',
  });
});

test('a viewer that leaves steps behind, and one whose swipe is also the browser’s', async ({ page }) => {
  const leaves = ownViewer(
    '& img { width: 700px }',
    `links.forEach((link, n) => link.addEventListener('click', () => history.pushState(null, '', '#' + n)));
     let from = 0;
     box.addEventListener('touchstart', ({ touches }) => { from = touches[0].clientX; });
     box.addEventListener('touchend', ({ changedTouches }) => step(changedTouches[0].clientX < from ? 1 : -1));`,
    BUTTONS,
  );
  const seen = await seenOn(page, pageWith(leaves));
  expect(seen).toMatchObject({ history: 'left behind', swipe: 'steps', panned: true });
});

test('a thumbnail that fails after the click is none of the click’s troubles', async ({ page }) => {
  let answer = () => undefined as void;
  await page.route('**/small/reel.jpg', async (route) => {
    await new Promise<void>((done) => {
      answer = done;
    });
    await route.abort();
  });
  const held = ownViewer('& img { width: 700px }', '', BUTTONS);
  const html = pageWith(held).replace('src="small/reel.jpg"', 'loading="lazy" src="small/reel.jpg"');
  await page.exposeFunction('fail', () => answer());
  const failing = html.replace('function show(n) {', 'function show(n) { window.fail();');
  const seen = await seenOn(page, failing);
  expect(seen).toMatchObject({ opened: 'viewer', loaded: true, shows: 'large/mere.jpg', missing: [] });
});

test('a slide that never comes is given up after one round', async ({ page }) => {
  const show = `<style>.kites li:not(.now) { display: none } .kites li:nth-child(2) { display: none !important }</style>
<button class="next">Next</button>
<script>
  const slides = [...document.querySelectorAll('.kites li')];
  window.steps = 0;
  const go = (n) => slides.forEach((one, m) => one.classList.toggle('now', m === n % slides.length));
  document.querySelector('.next').onclick = () => go(++window.steps);
  go(0);
</script>`;
  const html = pageWith('')
    .replace('<ul class="kites">', '<div><ul class="kites">')
    .replace('</ul>', `</ul>${show}</div>`);
  const seen = await seenOn(page, html);
  expect(seen.reached).toBeNull();
  expect(await page.evaluate('window.steps')).toBeLessThanOrEqual(4);
});

test('a page that grows without end is left some time', { tag: LONG }, async ({ page }) => {
  const grows = `<style>body { padding-bottom: 3000px } .kites li:nth-child(2) { display: none }</style>
<script>addEventListener('scroll', () => document.body.append(Object.assign(document.createElement('p'), { style: 'height: 900px' })));</script>`;
  expect((await seenOn(page, pageWith(grows))).reached).toBeNull();
  expect(await page.evaluate('document.documentElement.scrollHeight')).toBeGreaterThan(50_000);
});

test('a machine eight times as slow sees the same', async ({ page }) => {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 8 });
  const files = filesFrom({ 'index.html': wiredPage('lightbox'), ...kitFiles('lightbox') });
  const rehearsed = await rehearsePage(page, files, 'index.html', [0, 3]);
  expect(rehearsed.flatMap(({ disagreements }) => disagreements)).toEqual([]);
  expect(rehearsed.map(({ seen }) => seen.shows)).toEqual([`large/${NAMES[0]}.jpg`, `large/${NAMES[3]}.jpg`]);
});
