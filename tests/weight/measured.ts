/** What Chromium asks for when a page is opened, on a line that the browser itself makes slow. */
import type { Browser, CDPSession, Page } from '@playwright/test';
import type { Line, Placed, Window } from '../../core/weight/index.ts';

export interface MeasuredRequest {
  path: string;
  /** Of the body, as it comes. */
  bytes: number;
  priority: string;
  isPicture: boolean;
  /** ms from the page’s own request. */
  sent: number;
  done: number;
}

const opened = async (browser: Browser, { width, height, density }: Window): Promise<Page> =>
  (await browser.newContext({ viewport: { width, height }, deviceScaleFactor: density })).newPage();

/** Every `img` where it stands while no picture has come: their answers are held back. */
export async function placesWithoutPictures(browser: Browser, address: string, window: Window): Promise<Placed[]> {
  const page = await opened(browser, window);
  await page.route('**', (route) => (route.request().resourceType() === 'image' ? undefined : route.continue()));
  await page.goto(address, { waitUntil: 'domcontentloaded' });
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 50))));
  const placed = await page.evaluate(() =>
    [...document.images].map((image) => {
      const { top, bottom, width } = image.getBoundingClientRect();
      return { src: image.getAttribute('src') ?? '', top: top + scrollY, bottom: bottom + scrollY, width };
    }),
  );
  await page.context().close();
  return placed;
}

/** A quiet time after which nothing more is expected; ms. */
const QUIET = 1500;

/** In the order in which they were known to the browser; what it took out of its own store is left out. */
export async function requestsSeen(
  browser: Browser,
  address: string,
  window: Window,
  line: Line,
): Promise<MeasuredRequest[]> {
  const page = await opened(browser, window);
  const session = await page.context().newCDPSession(page);
  const seen = await listening(session, new URL('/', address).href);
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: line.latency,
    downloadThroughput: line.speed === null ? -1 : (line.speed * 1000) / 8,
    uploadThroughput: -1,
  });
  await page.goto(address, { waitUntil: 'load', timeout: 240_000 });
  for (let quiet = 0; quiet < QUIET; quiet += 100) {
    await page.waitForTimeout(100);
    if (seen.running() > 0) quiet = 0;
  }
  await page.context().close();
  return seen.all();
}

async function listening(session: CDPSession, root: string) {
  const all = new Map<string, MeasuredRequest & { kept: boolean; over: boolean }>();
  let first: number | null = null;
  const ms = (timestamp: number) => (timestamp - (first ??= timestamp)) * 1000;
  session.on('Network.requestWillBeSent', ({ requestId, request, timestamp, type }) => {
    if (!request.url.startsWith(root)) return;
    const sent = ms(timestamp);
    const path = decodeURIComponent(request.url.slice(root.length).replace(/[?#].*$/s, ''));
    const priority = request.initialPriority;
    const isPicture = type === 'Image';
    all.set(requestId, { path, bytes: 0, priority, isPicture, sent, done: NaN, kept: false, over: false });
  });
  session.on('Network.requestServedFromCache', ({ requestId }) => {
    const one = all.get(requestId);
    if (one) one.kept = true;
  });
  session.on('Network.responseReceived', ({ requestId, response }) => {
    const one = all.get(requestId);
    if (one && response.fromDiskCache) one.kept = true;
    if (one && response.status !== 200) one.bytes = NaN;
  });
  session.on('Network.dataReceived', ({ requestId, dataLength }) => {
    const one = all.get(requestId);
    if (one) one.bytes += dataLength;
  });
  const over = ({ requestId, timestamp }: { requestId: string; timestamp: number }) => {
    const one = all.get(requestId);
    if (!one) return;
    one.over = true;
    one.done = ms(timestamp);
  };
  session.on('Network.loadingFinished', over);
  session.on('Network.loadingFailed', over);
  await session.send('Network.enable');
  return {
    running: () => [...all.values()].filter((one) => !one.over).length,
    all: (): MeasuredRequest[] => {
      const ones = [...all.values()].filter(({ kept, path }) => !kept && path !== 'favicon.ico');
      return ones.filter(({ path }, n) => ones.findIndex((one) => one.path === path) === n);
    },
  };
}
