/**
 * A page of each viewer as Lighthouse sees it, on a phone and on a desktop: `npm run lighthouse [rounds] [viewer]`.
 * The median of the rounds; it ends with an error where accessibility or best practices are below 100, performance
 * below 95, or anything shifts.
 */
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import lighthouse, { desktopConfig } from 'lighthouse';
import { CHROMIUM, FLAGS } from '../browser.ts';
import { host } from '../host.ts';
import { VIEWERS } from '../kits.ts';
import { exported, item, items, SHOTS } from '../viewerPages.ts';

const ROUNDS = Number(process.argv[2] ?? 5);
const ONLY = process.argv[3];
/** Where Lighthouse talks to the browser. */
const PORT = 9334;
const LEAST = { performance: 95, accessibility: 100, 'best-practices': 100 };

const BODIES: Readonly<Record<string, string>> = {
  lightbox: `<ul>${items({ attributes: ' data-enlarge data-enlarge-group="g"' })}</ul>`,
  slideshow: `<ul data-slides data-slides-counter>${items()}</ul>`,
  opening: `<ul data-opening>${items()}</ul>`,
  zoom: `<ul data-closer>${items()}</ul>`,
  sections: `<div data-sections><section><h2>Meadow</h2><ul>${item(0)}</ul></section><section><h2>Loft</h2><ul>${item(1)}</ul></section></div>`,
  filter: `<ul data-sieve>${SHOTS.map((_, n) => item(n, { own: ` data-sieve-tags="${n % 2 ? 'loft' : 'meadow'}"` })).join('')}</ul>`,
  feed: `<div data-more data-more-step="3">${items({ tag: 'article' })}</div>`,
  share: `<ul data-pass-on>${items()}</ul>`,
  tooltips: `<ul data-hints>${items()}</ul>`,
};

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Thumbnails of twice the size that they are shown at, as dense screens want them. */
async function sharpSmall(): Promise<Record<string, Buffer>> {
  const all = SHOTS.map(async ([name], n): Promise<[string, Buffer]> => {
    const background = { r: 40 + n * 45, g: 150, b: 220 - n * 40 };
    const picture = sharp({ create: { width: 180, height: 120, channels: 3, background } });
    return [`small/${name}.jpg`, await picture.jpeg().toBuffer()];
  });
  return Object.fromEntries(await Promise.all(all));
}

async function scoresOf(address: string, onPhone: boolean): Promise<Record<string, number>> {
  const run = await lighthouse(
    address,
    { port: PORT, output: 'json', logLevel: 'silent', onlyCategories: Object.keys(LEAST) },
    onPhone ? undefined : desktopConfig,
  );
  if (!run) throw new Error(`Lighthouse said nothing of ${address}.`);
  const { categories, audits } = run.lhr;
  const scores = Object.entries(categories).map(([id, { score }]) => [id, Math.round((score ?? 0) * 100)] as const);
  return { ...Object.fromEntries(scores), shift: audits['cumulative-layout-shift']?.numericValue ?? 1 };
}

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [...FLAGS, `--remote-debugging-port=${PORT}`],
});
let isGood = true;
try {
  console.log('| viewer | on | performance | accessibility | best practices | shift |\n|---|---|---|---|---|---|');
  for (const { manifest } of VIEWERS.filter((one) => !ONLY || one.manifest.name === ONLY)) {
    const body = BODIES[manifest.name] ?? '';
    const { folder } = await exported([manifest.name], body, await sharpSmall(), '<link rel="icon" href="data:,">');
    const { server, address } = await host(folder);
    for (const onPhone of [true, false]) {
      const rounds: Record<string, number>[] = [];
      for (let n = 0; n < ROUNDS; n++) rounds.push(await scoresOf(address, onPhone));
      const of = (id: string) => median(rounds.map((one) => one[id] ?? 0));
      const shift = Math.max(...rounds.map((one) => one.shift ?? 1));
      isGood &&= shift === 0 && Object.entries(LEAST).every(([id, least]) => of(id) >= least);
      const cells = [...Object.keys(LEAST).map((id) => of(id)), shift.toFixed(3)];
      console.log(`| ${manifest.title} | ${onPhone ? 'phone' : 'desktop'} | ${cells.join(' | ')} |`);
    }
    server.close();
  }
} finally {
  await browser.close();
}
if (!isGood) process.exitCode = 1;
