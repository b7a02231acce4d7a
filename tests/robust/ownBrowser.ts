/** The built application in a browser with a profile on disk, both of which can be killed as a crash would. */
import { chromium, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { CHROMIUM, FLAGS } from '../browser.ts';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));

export interface OwnServer {
  address: string;
  stop: () => void;
}

export async function serve(port: number): Promise<OwnServer> {
  const env = { ...process.env, PORT: String(port) };
  const server = spawn('node', ['build/start.js'], { cwd: ROOT, env, stdio: 'ignore' });
  const address = `http://localhost:${port}`;
  for (let n = 0; n < 200; n++) {
    if (await fetch(`${address}/mark.svg`).catch(() => null)) break;
    await new Promise((done) => setTimeout(done, 100));
  }
  return { address, stop: () => void server.kill('SIGKILL') };
}

export interface OwnBrowser {
  page: Page;
  /** Of the browser itself; its other processes are below it. */
  pid: number;
  /** Every process of it, at once. */
  kill: () => Promise<void>;
}

/** Where its debugging socket is. */
async function socketOf(browser: ChildProcess): Promise<string> {
  let said = '';
  for await (const piece of browser.stderr ?? []) {
    said += String(piece);
    const socket = /DevTools listening on (ws:\S+)/.exec(said)?.[1];
    if (socket) return socket;
  }
  throw new Error(`The browser did not start: ${said}`);
}

export async function openOwn(profile: string): Promise<OwnBrowser> {
  const flags = [...FLAGS, '--headless', '--remote-debugging-port=0', `--user-data-dir=${profile}`, 'about:blank'];
  const child = spawn(CHROMIUM, flags, { detached: true, stdio: ['ignore', 'ignore', 'pipe'] });
  const { pid } = child;
  if (pid === undefined) throw new Error('The browser did not start.');
  const browser = await chromium.connectOverCDP(await socketOf(child));
  child.stderr.resume();
  const [context] = browser.contexts();
  const page = context?.pages()[0] ?? (await context?.newPage());
  if (!page) throw new Error('The browser has no page.');
  // What runs in the page was compiled by something that names functions by a helper of its own.
  await page.addInitScript('window.__name = (one) => one');
  await page.setViewportSize({ width: 1280, height: 800 });
  const kill = async () => {
    const ended = once(child, 'exit');
    process.kill(-pid, 'SIGKILL');
    await ended;
    await browser.close().catch(() => undefined);
  };
  return { page, pid, kill };
}
