/**
 * The viewers that ship, against bare elements of the platform in the same run: `npm run bench:viewers [rounds]`.
 * Bytes as they are served (gzip); the time from a click to the picture that is seen, against a bare <dialog> with the
 * same picture; frames kept while pictures give way, against two bare elements that are moved alike.
 */
import { gzipSync } from 'node:zlib';
import type { Browser, Page } from '@playwright/test';
import { launch } from '../browser.ts';
import { VIEWERS } from '../kits.ts';
import { exported, item } from '../viewerPages.ts';

const ROUNDS = Number(process.argv[2] ?? 21);
const ITEMS = 500;
const STEPS = 12;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** The compiler names functions by a helper that pages do not have. */
async function newPage(browser: Browser): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript('window.__name = (one) => one');
  return page;
}

/** From the click until the frame after the one in which the picture has come; ms, in the page's own clock. */
async function clicked(browser: Browser, address: string): Promise<number> {
  const page = await newPage(browser);
  await page.goto(address);
  await page.waitForTimeout(150);
  const ms = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const start = performance.now();
        document.querySelector<HTMLElement>('main a')!.click();
        const look = () => {
          const image = document.querySelector<HTMLImageElement>('dialog[open] img');
          if (image?.complete && image.naturalWidth > 0 && getComputedStyle(image).visibility === 'visible')
            requestAnimationFrame(() => resolve(performance.now() - start));
          else requestAnimationFrame(look);
        };
        look();
      }),
  );
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

console.log('| viewer | script and style, gzip | goal |\n|---|---|---|');
for (const { manifest, files } of VIEWERS) {
  const bytes = gzipSync(Object.values(files).join(''), { level: 9 }).length;
  console.log(
    `| ${manifest.title} | ${bytes} bytes | ≤ ${['lightbox', 'slideshow'].includes(manifest.name) ? 6144 : 3072} |`,
  );
}

const browser = await launch();
try {
  const mark = ' data-enlarge data-enlarge-group="kites"';
  const one = await exported(['lightbox'], `<ul>${item(0, { attributes: mark })}</ul>`);
  const many = await exported(
    ['lightbox'],
    `<ul>${Array.from({ length: ITEMS }, (_, n) => item(n % 5, { attributes: mark })).join('\n')}</ul>`,
  );
  const bare = await exported([], `<ul>${item(0)}</ul>${BARE}`);
  const bareMany = await exported(
    [],
    `<ul>${Array.from({ length: ITEMS }, (_, n) => item(n % 5)).join('\n')}</ul>${BARE}`,
  );
  const times = { bare: [] as number[], one: [] as number[], bareMany: [] as number[], many: [] as number[] };
  for (let round = -2; round < ROUNDS; round++) {
    for (const [name, { address }] of Object.entries({ bare, one, bareMany, many })) {
      const ms = await clicked(browser, address);
      if (round >= 0) times[name as keyof typeof times].push(ms);
    }
  }
  console.log(`\n${ROUNDS} rounds, each on a page that was loaded anew, in turn\n`);
  console.log(
    '| from a click to the picture, median | time | in times of the bare dialog on the same page | goal |\n|---|---|---|---|',
  );
  const row = (what: string, all: readonly number[], of: readonly number[], goal: string) =>
    console.log(`| ${what} | ${median(all).toFixed(1)} ms | ${(median(all) / median(of)).toFixed(2)} | ${goal} |`);
  row('a bare `<dialog>` with the same picture', times.bare, times.bare, '');
  row('the lightbox', times.one, times.bare, '≤ 1.1');
  row(`a bare \`<dialog>\` on a page of ${ITEMS} pictures`, times.bareMany, times.bareMany, '');
  row(`the lightbox, one of ${ITEMS} in a group`, times.many, times.bareMany, '≤ 1.1');

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
