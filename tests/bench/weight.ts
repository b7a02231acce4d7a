/**
 * Page weight as it is computed against Chromium: `npm run bench:weight [name]`. The demo's pages, pages that ask for
 * files in every way that is known, and pages out of packages that nobody here wrote, on a line of 1.6 Mbit/s and 200 ms
 * that the browser itself makes so slow. Ends with an error where requests, bytes or order differ, or where the time to
 * the last picture is off by more than 10 % in the median or 25 % for one page.
 */
import { mkdtempSync, realpathSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeDemo, SITE } from '../../demo/make.ts';
import { LINES } from '../../core/pack/index.ts';
import { launch } from '../browser.ts';
import { host } from '../host.ts';
import { install } from '../strangers/packages.ts';
import { compare } from '../weight/compare.ts';
import { generate, PAGES } from '../weight/generated.ts';

const LINE = LINES.find(({ name }) => name === 'phone')!;
const DESKTOP = { width: 1280, height: 800, density: 1 };
const PHONE = { width: 390, height: 800, density: 1 };
const DENSE = { width: 390, height: 800, density: 2 };
const MEDIAN_MOST = 0.1;
const MOST = 0.25;

/** Packages, where their pages stand, and which of them are opened. */
const STRANGERS = [
  { name: 'xfig-doc', folder: '/usr/share/doc/xfig/html', pages: ['index.html', 'attributes.html', 'printing.html'] },
  { name: 'debian-policy', folder: '/usr/share/doc/debian-policy/policy.html', pages: ['ap-flowcharts.html'] },
  { name: 'gnuplot-doc', folder: '/usr/share/doc/gnuplot/htmldocs', pages: ['node649.html'] },
  {
    name: 'imagemagick-6-doc',
    folder: '/usr/share/doc/imagemagick-6-common/html',
    pages: ['www/formats.html', 'www/montage.html'],
  },
  { name: 'ntpsec-doc', folder: '/usr/share/doc/ntpsec-doc/html', pages: ['index.html'] },
  { name: 'graphviz-doc', folder: '/usr/share/doc/graphviz/html', pages: ['FAQ.html'] },
];

const only = process.argv[2];
const generated = mkdtempSync(join(tmpdir(), 'weight-'));
await generate(generated);
await makeDemo();
const lacking = install(STRANGERS.map(({ name }) => name));
if (lacking.length > 0) throw new Error(`These could not be installed: ${lacking.join(', ')}.`);

const SITES = [
  { name: 'demo', folder: SITE, pages: ['index.html', 'festival.html', 'pictures.html', 'workshop.html'] },
  { name: 'generated', folder: generated, pages: Object.keys(PAGES) },
  ...STRANGERS.map((one) => ({ ...one, folder: realpathSync(one.folder) })),
];
const NARROW = ['widths.html', 'picture.html', 'lazy.html'];

const browser = await launch();
const errors: number[] = [];
let differ = 0;
console.log('| page | window | requests | bytes | computed | measured | off |\n|---|---|---|---|---|---|---|');
for (const { name, folder, pages } of SITES) {
  const { server, address } = await host(folder, false);
  for (const page of pages) {
    const windows = name !== 'generated' ? [DESKTOP] : [DESKTOP, ...(NARROW.includes(page) ? [PHONE] : [])];
    if (page === 'dense.html') windows.push(DENSE);
    for (const window of windows) {
      if (only !== undefined && !`${name}/${page}`.includes(only)) continue;
      const { requests, bytes, differences, computed, measured } = await compare(browser, {
        folder,
        address,
        page,
        window,
        line: LINE,
      });
      const off = computed / measured - 1;
      errors.push(Math.abs(off));
      if (differences.length > 0) differ++;
      const said = `${window.width}${window.density > 1 ? ` × ${window.density}` : ''}`;
      const times = `${Math.round(computed)} ms | ${Math.round(measured)} ms | ${(off * 100).toFixed(1)} %`;
      console.log(`| ${name}, ${page} | ${said} | ${requests} | ${bytes} | ${times} |`);
      for (const one of differences) console.log(`  ${one}`);
    }
  }
  server.close();
}
await browser.close();
rmSync(generated, { recursive: true });

const sorted = errors.sort((a, b) => a - b);
const median = sorted[Math.floor(sorted.length / 2)] ?? 1;
const worst = sorted.at(-1) ?? 1;
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
console.log(`${errors.length} pages, ${differ} differ; median ${percent(median)} off, at most ${percent(worst)}.`);
process.exitCode = differ > 0 || median > MEDIAN_MOST || worst > MOST ? 1 : 0;
