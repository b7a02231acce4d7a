/**
 * What keeps the main thread while one goes from screen to screen: for each step the longest task, by what the thread
 * itself computed. Each visit is a first one, in a browser that has seen nothing. `npm run bench:tasks`.
 */
import { expect, type Browser, type Page } from '@playwright/test';
import { launch } from '../browser.ts';
import { openPage, settled } from '../browser/fixtures.ts';
import { LONG_TASK, tracing } from '../longTasks.ts';
import { makeStore, setOut } from '../setOut.ts';
import { makeTestSite } from '../site/make.ts';
import { serve } from '../robust/ownBrowser.ts';

const PORT = Number(process.env.BENCH_PORT ?? 4972);
const TIMES = Number(process.env.TIMES ?? 3);

interface Step {
  what: string;
  /** Where it begins: null where the browser has no page yet. */
  from: string | null;
  act: (page: Page, site: string) => Promise<unknown>;
}

const station = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name }).click();

const STEPS: readonly Step[] = [
  {
    what: 'the shelf, for the first time',
    from: null,
    act: async (page, site) => {
      await page.goto(site.replace(/\/site\/.*/, '/'));
      await expect(page.getByText(/MB stored in this browser/)).toBeVisible();
    },
  },
  {
    what: 'a site is opened',
    from: '..',
    act: async (page) => {
      await page.locator('a[href*="/site/"]').first().click();
      await settled(page);
    },
  },
  ...['Markup', 'Wiring', 'Proof', 'Pack'].map((name): Step => ({
    what: `${name}, for the first time`,
    from: 'pairs',
    act: async (page) => {
      await station(page, new RegExp(`^${name}`));
      await settled(page);
    },
  })),
  {
    what: 'another page is chosen',
    from: 'markup',
    act: async (page) => {
      await openPage(page, 'workshop.html');
      await expect(page.locator('iframe[title="Live page workshop.html"]')).toBeVisible();
    },
  },
  {
    what: 'the dialog of items',
    from: 'markup',
    act: async (page) => {
      await page.getByRole('button', { name: 'Items…' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    what: 'Layout',
    from: 'markup',
    act: async (page) => {
      await page.getByRole('button', { name: 'Layout' }).click();
      await expect(page.getByRole('region', { name: 'Layout' })).toBeVisible();
    },
  },
];

/** The longest task of a step, of what the thread computed; ms. */
async function once(browser: Browser, address: string, step: Step): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  // What runs in the page was compiled by something that names functions by a helper of its own.
  await context.addInitScript('window.__name = (one) => one');
  const page = await context.newPage();
  const siteId = await setOut(page, 'kites', address);
  const site = `${address}/site/${siteId}/`;
  if (step.from !== null) {
    await page.goto(new URL(step.from === '..' ? '/' : step.from, site).href);
    await (step.from === '..' ? expect(page.getByText(/MB stored in this browser/)).toBeVisible() : settled(page));
    await page.waitForTimeout(1500);
  }
  const { tasks } = await tracing(page, async () => {
    await step.act(page, site);
    await page.waitForTimeout(1500);
  });
  await context.close();
  return Math.max(0, ...tasks.map(({ cpu }) => cpu));
}

const only = process.argv[2];
const server = await serve(PORT);
const browser = await launch();
try {
  await makeTestSite();
  await makeStore('kites', browser, server.address);
  console.log(`| step | longest task that the thread computed, of ${TIMES} times |\n|---|---|`);
  for (const step of STEPS.filter(({ what }) => only === undefined || what.includes(only))) {
    const longest: number[] = [];
    for (let n = 0; n < TIMES; n++) longest.push(await once(browser, server.address, step));
    const told = longest.map((ms) => (ms > LONG_TASK ? `${ms.toFixed(0)} ms` : `under ${LONG_TASK}`)).join(', ');
    console.log(`| ${step.what} | ${told} |`);
  }
} finally {
  await browser.close();
  server.stop();
}
