/** What checkers in the browser say of pages is what the same checkers say outside of it. */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { Page } from '@playwright/test';
import { MADE } from '../../demo/make';
import { violations } from './axe';
import { expect, folderWith, goTo, openDemo, openFiles, openPage, replaceText, test } from './fixtures';

/** Old and odd manners of writing pages. */
const ODD: Record<string, string> = {
  'upper.html':
    '<HTML><HEAD><TITLE>Kites</TITLE></HEAD><BODY BGCOLOR=white><CENTER><FONT SIZE=2>Kites</FONT></CENTER><P>One<P>Two<BR></BODY></HTML>\n',
  'crlf.html':
    '<!DOCTYPE html>\r\n<html lang="en">\r\n<head><title>A</title></head>\r\n<body>\r\n<img src="a.jpg">\r\n<a href="#x" id="x" id="y">A</a>\r\n<div><p>One</div>\r\n</body>\r\n</html>\r\n',
  'nested.html':
    '<!DOCTYPE html><html lang="en"><head><title>B</title></head><body><a href="a"><a href="b">B</a></a><button><input></button><ul><p>no item</p></ul><i>x</b></i></body></html>\n',
  'letters.html':
    '<!DOCTYPE html><html lang="de"><head><title>Käse 🪁</title></head><body><h1>Ä & Ö <br/> 🪁</h1><td>x</td></body></html>\n',
};

interface Message {
  line: number;
  column: number;
  ruleId: string;
  message: string;
}

/** As somebody would run it, with nothing but what the HTML standard says. */
function onCommandLine(files: readonly string[]): string[] {
  const config = join(
    folderWith({ 'config.json': JSON.stringify({ root: true, extends: ['html-validate:standard'] }) }),
    'config.json',
  );
  const bin = join(
    dirname(createRequire(import.meta.url).resolve('html-validate/package.json')),
    'bin/html-validate.mjs',
  );
  const run = spawnSync('node', [bin, '--config', config, '--formatter', 'json', ...files], { encoding: 'utf8' });
  const results = JSON.parse(run.stdout) as { filePath: string; messages: Message[] }[];
  return results
    .flatMap(({ filePath, messages }) =>
      messages.map(({ line, ruleId, message }) => `${message}${filePath.split('/').at(-1)}:${line} ${ruleId}`),
    )
    .sort();
}

const messages = (page: Page) => page.getByRole('list', { name: 'HTML messages' }).getByRole('listitem');
const html = (page: Page) => page.getByRole('region', { name: 'HTML', exact: true });

test('the demo and old pages are judged as on the command line', async ({ page }) => {
  await openDemo(page, 'proof');
  await expect(html(page).getByRole('status')).toHaveText('5 pages, valid');
  const site = join(MADE, 'site');
  expect(
    onCommandLine(
      ['index.html', 'festival.html', 'pictures.html', 'story.html', 'workshop.html'].map((name) => join(site, name)),
    ),
  ).toEqual([]);
});

test('old and odd pages are judged as on the command line, and only what was added is new', async ({ page }) => {
  const folder = folderWith(ODD);
  await openFiles(page, ODD);
  await goTo(page, 'proof');
  await expect(html(page).getByRole('status')).toContainText('your pages had them when they were imported');
  const more = html(page).getByRole('button', { name: /^Show all/ });
  if (await more.isVisible()) await more.click();
  // What mends a message stands beside it.
  const told = messages(page).locator(':scope > :first-child');
  const said = (await told.allInnerTexts()).map((text) => text.replaceAll('\n', '')).sort();
  const expected = onCommandLine(Object.keys(ODD).map((name) => join(folder, name)));
  expect(expected.length).toBeGreaterThan(12);
  expect(said).toEqual(expected);
  expect(await violations(page)).toEqual([]);

  await replaceText(page, '<h1>Ä', '<h1 align="left">Ä');
  await expect(html(page).getByRole('status')).toContainText(', 1 new');
  await expect(messages(page).first()).toContainText('letters.html:1');
  await expect(messages(page).first()).toContainText('new');
  writeFileSync(
    join(folder, 'letters.html'),
    readFileSync(join(folder, 'letters.html'), 'utf8').replace('<h1>', '<h1 align="left">'),
  );
  expect(onCommandLine(Object.keys(ODD).map((name) => join(folder, name)))).toHaveLength(expected.length + 1);
});

interface AxeRule {
  id: string;
  nodes: { html: string }[];
}

/** The demo as its files stand, in a window of its own, with nothing but axe-core run in it. */
async function axeOutside(page: Page, path: string): Promise<string[]> {
  const site = join(MADE, 'site');
  await page.route('http://demo.example/**', (route) => {
    const file = join(site, decodeURIComponent(new URL(route.request().url()).pathname));
    return existsSync(file) ? route.fulfill({ path: file }) : route.fulfill({ status: 404, body: '' });
  });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`http://demo.example/${path}`);
  await page.evaluate(readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8'));
  const rules = await page.evaluate(async () => {
    const { axe } = window as unknown as { axe: { run: (options: object) => Promise<{ violations: AxeRule[] }> } };
    return (await axe.run({ iframes: false })).violations;
  });
  return rules.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id} ${html.slice(0, 60)}`)).sort();
}

test('the demo is as accessible in the preview as axe finds it outside', async ({ page, browser, expected }) => {
  expected.console.push(/startLightbox|404/);
  await openDemo(page, 'proof');
  const outside = await browser.newPage();
  let found = 0;
  for (const path of ['festival.html', 'workshop.html', 'pictures.html', 'index.html']) {
    await openPage(page, path);
    const panel = page.getByRole('region', { name: 'Accessibility', exact: true });
    await expect(panel.getByRole('status')).toHaveText(new RegExp(`(messages? of axe|found nothing) on ${path}`));
    const rows = panel.getByRole('list', { name: 'Accessibility messages' }).getByRole('listitem');
    const said = await rows.evaluateAll((items) =>
      items.flatMap((item) => {
        const [rule = '', ...places] = [...item.querySelectorAll('span')]
          .filter((one) => one.children.length === 0)
          .map((one) => one.textContent);
        return places.map((html) => `${rule.split(' ')[0] ?? ''} ${html}`);
      }),
    );
    const wanted = await axeOutside(outside, path);
    found += wanted.length;
    expect(said.sort(), path).toEqual(wanted);
  }
  expect(found).toBeGreaterThan(0);
  await outside.close();
});
