/**
 * The viewers that ship, against bare elements of the platform in the same run: `npm run bench:viewers [rounds]`.
 * Bytes as they are served (gzip); the time from a click, made by a real press of a button or a finger, to the picture
 * that is seen, against a bare <dialog> with the same picture; frames kept while pictures give way, against two bare elements that are moved alike.
 */
import { gzipSync } from 'node:zlib';
import type { Browser, Page } from '@playwright/test';
import { launch } from '../browser.ts';
import { VIEWERS } from '../kits.ts';
import { middleOf, tap } from '../touch.ts';
import { exported, item } from '../viewerPages.ts';

const ROUNDS = Number(process.argv[2] ?? 31);
const ITEMS = 500;
const COUNTS = [12, ITEMS];
const STEPS = 12;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Windows and machines: a desk, and a phone whose processor is a quarter as fast (a usual mid-range phone, from memory). */
const PROFILES = {
  desktop: { viewport: { width: 1280, height: 800 }, hasTouch: false, slower: 1 },
  phone: { viewport: { width: 390, height: 780 }, hasTouch: true, slower: 4 },
} as const;
type Profile = keyof typeof PROFILES;

/** A visitor has looked at the page before; ms. */
const LOOKED = 600;

/** How long a button or a finger is down in a click; ms, from memory. */
const HELD = 80;

/** The compiler names functions by a helper that pages do not have. */
async function newPage(browser: Browser, profile: Profile = 'desktop'): Promise<Page> {
  const { slower, ...window } = PROFILES[profile];
  const page = await browser.newPage(window);
  await page.addInitScript('window.__name = (one) => one');
  if (slower > 1) {
    const session = await page.context().newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  }
  return page;
}

/** A real press of a button, or of a finger, that makes a click. */
async function press(page: Page, profile: Profile): Promise<void> {
  const at = await middleOf(page.locator('main a').first());
  if (PROFILES[profile].hasTouch) return tap(page, at, HELD);
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.waitForTimeout(HELD);
  await page.mouse.up();
}

/** From the click until the frame after the one in which the picture has come; ms, in the page's own clock. */
async function clicked(browser: Browser, address: string, profile: Profile): Promise<number> {
  const page = await newPage(browser, profile);
  await page.goto(address);
  await page.waitForTimeout(LOOKED);
  await page.evaluate(() => {
    const seen = new Promise<number>((resolve) => {
      const look = (start: number) => {
        const image = document.querySelector<HTMLImageElement>(
          'dialog[open] img.enlarge-picture, dialog[open]:not(.enlarge) img',
        );
        if (image?.complete && image.naturalWidth > 0 && getComputedStyle(image).opacity === '1')
          requestAnimationFrame(() => resolve(performance.now() - start));
        else requestAnimationFrame(() => look(start));
      };
      // Before the script of the page hears of it.
      addEventListener('click', () => look(performance.now()), { capture: true, once: true });
    });
    Object.assign(window, { seen });
  });
  await press(page, profile);
  const ms = await page.evaluate(() => (window as unknown as { seen: Promise<number> }).seen);
  await page.close();
  return ms;
}

/** Frame times while something steps; ms. */
async function frames(page: Page, step: string): Promise<number[]> {
  return page.evaluate(
    async ({ step: code, steps }) => {
      const times: number[] = [];
      let last = performance.now();
      let on = true;
      const tick = (now: number) => {
        times.push(now - last);
        last = now;
        if (on) requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
      for (let n = 0; n < steps; n++) {
        document.querySelector<HTMLElement>(code)!.click();
        await new Promise((done) => setTimeout(done, 520));
      }
      on = false;
      return times.slice(2);
    },
    { step, steps: STEPS },
  );
}

/** Share of frames that came within one and a half of the usual time. */
const kept = (times: readonly number[]): number => times.filter((ms) => ms < median(times) * 1.5).length / times.length;

const BARE = `<script>document.addEventListener('click', (event) => {
  const link = event.target.closest('a');
  if (!link) return;
  event.preventDefault();
  const dialog = document.createElement('dialog');
  const image = new Image();
  image.style.cssText = 'max-width: 90vw; max-height: 90vh';
  image.src = link.href;
  dialog.append(image);
  document.body.append(dialog);
  dialog.showModal();
});</script>`;

const BARE_SLIDES = `<div style="position: relative; height: 416px; overflow: hidden">${[0, 1].map((n) => `<img src="large/${['meadow', 'tail'][n]}.jpg" style="position: absolute; width: 100%; height: 100%; object-fit: cover" alt="">`).join('')}</div><button id="go">go</button>
<script>let n = 0; document.getElementById('go').onclick = () => { const [a, b] = document.images; const [to, from] = n++ % 2 ? [a, b] : [b, a];
to.style.zIndex = 1; from.style.zIndex = 0; to.animate([{ transform: 'translateX(1264px)' }, {}], { duration: 450, easing: 'ease' }); from.animate([{}, { transform: 'translateX(-1264px)' }], { duration: 450, easing: 'ease' }); };</script>`;

/** What a comment says is for who reads the script; a host’s build leaves it out. */
const withoutComments = (text: string): string => text.replace(/\/\*[^]*?\*\//g, '').replace(/(^|\s)\/\/ .*$/gm, '');
const MOST: Readonly<Record<string, number>> = { lightbox: 11, slideshow: 9, opening: 5 };

console.log('| viewer | script and style without comments, gzip | goal |\n|---|---|---|');
for (const { manifest, files } of VIEWERS) {
  const bytes = gzipSync(withoutComments(Object.values(files).join('')), { level: 9 }).length;
  console.log(`| ${manifest.title} | ${bytes} bytes | ≤ ${(MOST[manifest.name] ?? 4.5) * 1024} |`);
}

const FRAME = 1000 / 60; // ms

const browser = await launch();
try {
  const mark = ' data-enlarge data-enlarge-group="kites"';
  const listOf = (count: number, attributes: string) =>
    `<ul>${Array.from({ length: count }, (_, n) => item(n % 5, { attributes })).join('\n')}</ul>`;
  console.log(`\n${ROUNDS} rounds, each on a page that was loaded anew, in turn; medians\n`);
  console.log('| from a click to the file that is seen | a bare `<dialog>` | the lightbox | later by | goal |');
  console.log('|---|---|---|---|---|');
  for (const count of COUNTS) {
    const own = await exported(['lightbox'], listOf(count, mark));
    const bare = await exported([], `${listOf(count, '')}${BARE}`);
    for (const profile of Object.keys(PROFILES) as Profile[]) {
      const times = { bare: [] as number[], own: [] as number[] };
      for (let round = -2; round < ROUNDS; round++)
        // Each goes first as often as the other.
        for (const name of round % 2 ? (['own', 'bare'] as const) : (['bare', 'own'] as const)) {
          const ms = await clicked(browser, (name === 'own' ? own : bare).address, profile);
          if (round >= 0) times[name].push(ms);
        }
      const [a, b] = [median(times.bare), median(times.own)];
      const frames = ((b - a) / FRAME).toFixed(1);
      console.log(
        `| ${count} pictures, ${profile} | ${a.toFixed(1)} ms | ${b.toFixed(1)} ms | ${frames} frames | ≤ 1 |`,
      );
    }
  }
  const many = await exported(['lightbox'], listOf(ITEMS, mark));

  const page = await newPage(browser);
  const slides = await exported(
    ['slideshow'],
    `<ul data-slides>${Array.from({ length: ITEMS }, (_, n) => item(n % 5, { large: true })).join('\n')}</ul>`,
  );
  const bareSlides = await exported([], BARE_SLIDES);
  console.log(`\n${STEPS} steps each\n\n| frames kept while pictures give way | share | median frame |\n|---|---|---|`);
  for (const [what, { address }, step] of [
    ['two bare pictures', bareSlides, '#go'],
    [`the slideshow of ${ITEMS}`, slides, '.slides-next'],
    [`the lightbox in a group of ${ITEMS}`, many, '.enlarge-next'],
  ] as const) {
    await page.goto(address);
    if (step === '.enlarge-next') await page.locator('main a').first().click();
    await page.waitForTimeout(800);
    const all = await frames(page, step);
    console.log(`| ${what} | ${(100 * kept(all)).toFixed(1)} % | ${median(all).toFixed(1)} ms |`);
  }
} finally {
  await browser.close();
}
