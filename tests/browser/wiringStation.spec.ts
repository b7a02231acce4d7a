/**
 * The wiring station as a person uses it: pages wired with each kit and with a script of one's own, rehearsed,
 * changed, mended and taken back.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { kitNamed } from '../kits';
import { kitFiles, wiredPage } from '../wiring/faults.fixture';
import { OWN_SCRIPT } from '../wiring/ownScript.fixture';
import { violations } from './axe';
import { expect, folderWith, goTo, openKites, openFiles, openPage, settled, test, unpacked, LONG } from './fixtures';
import { kitButton, pictures, rehearse, wiresAndRehearses } from './wiringSteps';

for (const [name, tag] of [
  ['lightbox', []],
  ['sidebay', [LONG]],
] as const) {
  test(
    `a page is wired with the ${name}, and a rehearsal agrees on every strand`,
    { tag: [...tag] },
    async ({ page }) => {
      await wiresAndRehearses(page, kitNamed(name).manifest);
    },
  );
}

test('a viewer script that its author wrote: read, completed beside its lines, kept, wired and rehearsed', async ({
  page,
}) => {
  await openFiles(page, { 'index.html': wiredPage('none'), ...(await pictures()) });
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await page.getByRole('button', { name: 'Import a script of your own' }).click();
  const folder = folderWith(OWN_SCRIPT);
  await page.locator('[data-pick="script"]').setInputFiles(Object.keys(OWN_SCRIPT).map((name) => join(folder, name)));
  const dialog = page.getByRole('dialog', { name: 'A script of your own' });
  await expect(dialog.getByRole('textbox', { name: 'Attribute', exact: true })).toHaveValue('data-roam');
  await expect(dialog.getByRole('textbox', { name: 'Group attribute' })).toHaveValue('data-roam-set');
  await expect(dialog.getByRole('textbox', { name: 'Caption attribute' })).toHaveValue('data-roam-words');
  await expect(dialog.getByRole('textbox', { name: 'Function' })).toHaveValue('roam');
  await expect(dialog.getByText('roam.js, line 10: a[data-roam]')).toBeVisible();
  await expect(dialog.getByRole('listitem')).toHaveText(['roam.css', 'roam-parts.js', 'roam.js']);
  expect(await violations(page)).toEqual([]);
  // What no line tells, the author knows.
  await dialog.getByRole('checkbox', { name: 'It shows a counter' }).check();
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Roam');
  await dialog.getByRole('button', { name: 'Save as a viewer' }).click();
  await kitButton(page, 'Roam').click();
  await expect(page.getByRole('region', { name: 'Difference' }).last()).toContainText("roam('[data-roam]')");
  await page.getByRole('button', { name: 'Apply' }).click();
  await rehearse(page);
  await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('wired with the roam, 4 of 4 links handled')).toBeVisible({ timeout: 60_000 });
  const text = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
  expect(text).toContain('data-roam data-roam-set="index"');
  expect(text).toMatch(/roam-parts\.js"><\/script>\s*<script src="[\w/]*roam\.js"><\/script>\s*<script>roam\(/);
});

test(
  'a script comes in as a ZIP as well, and its files are put where pages look for them',
  { tag: LONG },
  async ({ page }) => {
    await openFiles(page, { 'index.html': wiredPage('none'), ...(await pictures()) });
    await goTo(page, 'wiring');
    await page.getByRole('button', { name: 'Add a viewer' }).click();
    await page.getByRole('button', { name: 'Import a script of your own' }).click();
    const folder = folderWith({
      'roam.zip': Buffer.from(
        zipSync(Object.fromEntries(Object.entries(OWN_SCRIPT).map(([name, text]) => [`roam/${name}`, strToU8(text)]))),
      ),
    });
    await page.locator('[data-pick="script"]').setInputFiles(join(folder, 'roam.zip'));
    const dialog = page.getByRole('dialog', { name: 'A script of your own' });
    await expect(dialog.getByRole('textbox', { name: 'Name' })).toHaveValue('roam');
    await dialog.getByRole('button', { name: 'Save as a viewer' }).click();
    await kitButton(page, 'roam').click();
    await page.getByRole('button', { name: 'Apply' }).click();
    await expect(page.getByText('wired with the roam, 4 of 4 links handled')).toBeVisible();
    expect(readFileSync(join(await unpacked(page), 'roam/roam.js'), 'utf8')).toBe(OWN_SCRIPT['roam.js']);
  },
);

test('what is no viewer script is refused with the reason', async ({ page }) => {
  await openFiles(page, { 'index.html': wiredPage('none'), ...(await pictures()) });
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await page.getByRole('button', { name: 'Import a script of your own' }).click();
  const folder = folderWith({ 'only.css': '.x {}', 'bad.js': 'var a = “x”;' });
  await page.locator('[data-pick="script"]').setInputFiles(join(folder, 'only.css'));
  await expect(page.getByRole('alert')).toHaveText('There is no script (.js) among these files.');
  await page.locator('[data-pick="script"]').setInputFiles(join(folder, 'bad.js'));
  await expect(page.getByRole('alert').first()).toContainText('bad.js, line 1');
  // What it needs is said at the fields, and nothing is kept before it is there.
  await page.getByRole('button', { name: 'Save as a viewer' }).click();
  await expect(page.getByText('How is it started?')).toBeVisible();
  await expect(page.getByRole('dialog', { name: 'A script of your own' })).toBeVisible();
});

test('from one kit to another and off the page: one change each, shown before it is written', async ({ page }) => {
  await openFiles(page, { 'index.html': wiredPage('lightbox'), ...kitFiles('lightbox'), ...(await pictures()) });
  await goTo(page, 'wiring');
  await expect(page.getByText('wired with the lightbox, 4 of 4 links handled')).toBeVisible();
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, 'Sidebay').click();
  await expect(page.getByText('Change from the lightbox')).toBeVisible();
  const diff = page.getByRole('region', { name: 'Difference' }).last();
  await expect(diff).toContainText('viewer/lightbox.js · removed');
  await expect(diff).toContainText('data-bay-title="Meadow kite"');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByText('wired with the sidebay, 4 of 4 links handled')).toBeVisible();
  await rehearse(page);
  await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, 'Sidebay').click();
  await page.getByRole('button', { name: 'Remove from this page' }).click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByText('no viewer yet')).toBeVisible();
  await expect(page.getByText(/before the last change/).first()).toBeVisible();
  expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(wiredPage('none'));
});

test(
  'a workshop page: its faults are seen in the loom, mended one by one, and rehearsed before and after',
  { tag: LONG },
  async ({ page, expected }) => {
    expected.console.push(/startLightbox is not defined/);
    await openKites(page, 'wiring');
    await openPage(page, 'workshop.html');
    const scripts = page.getByRole('list', { name: 'What the page loads, in order' }).getByRole('listitem');
    await expect(scripts.filter({ hasText: 'js/kites.js' })).toContainText('calls startLightbox() too early');
    await expect(scripts.filter({ hasText: 'viewer/lightbox.js' })).toContainText('gives startLightbox');
    await rehearse(page);
    await expect(page.getByText(/^Rehearsed: 8 strands as expected/)).toBeVisible();
    await page.getByRole('button', { name: 'Load them in the right order' }).click();
    await page.getByRole('button', { name: 'Correct to data-enlarge' }).first().click();
    await expect(page.getByText('wired with the lightbox, 8 of 8 links handled')).toBeVisible();
    await expect(page.getByText(/before the last change/).first()).toBeVisible();
    await rehearse(page);
    await expect(page.getByText(/^Rehearsed: 8 strands as expected/)).toBeVisible();
  },
);

test('a rehearsal can be stopped, and what was seen until then stays', async ({ page }) => {
  await openKites(page, 'wiring');
  await openPage(page, 'festival.html');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(page.getByRole('dialog').getByRole('status')).toContainText(/: [3-9] of 24/, { timeout: 60_000 });
  await page.getByRole('dialog').getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByText(/^Rehearsed: [2-9] strands as expected/)).toBeVisible();
});

test('several pages are wired in one change, and one step takes it back', async ({ page }) => {
  const plain = wiredPage('none');
  await openFiles(page, { 'index.html': plain, 'second.html': plain, 'third.html': plain, ...(await pictures()) });
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, 'Lightbox').click();
  const pages = page.getByRole('group', { name: 'Add to other pages too' });
  await pages.getByRole('checkbox', { name: 'All 2 pages that do not have it' }).check();
  await expect(pages.getByRole('checkbox', { name: 'third.html' })).toBeChecked();
  await pages.getByRole('checkbox', { name: 'second.html' }).uncheck();
  await expect(page.getByRole('region', { name: 'Difference' }).filter({ hasText: 'third.html' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await openPage(page, 'third.html');
  await expect(page.getByText('wired with the lightbox, 4 of 4 links handled')).toBeVisible();
  await openPage(page, 'second.html');
  await expect(page.getByText(/no viewer yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Add the Lightbox to index.html and 1 other page' }).click();
  const folder = await unpacked(page);
  for (const name of ['index', 'second', 'third'])
    expect(readFileSync(join(folder, `${name}.html`), 'utf8')).toBe(plain);
});

test('what a rehearsal sees at two sizes is found in Proof, and Back leads to the screen before', async ({ page }) => {
  const style = '<style>.kites img { width: 300px; height: auto }</style>';
  const html = wiredPage('none').replace('</head>', `${style}</head>`);
  await openFiles(page, {
    'index.html': html,
    ...(await pictures()),
  });
  await goTo(page, 'markup');
  await goTo(page, 'wiring');
  await rehearse(page);
  const strands = page.getByRole('list', { name: 'Strands' });
  await expect(strands.getByText(/^Desktop: confirmed/)).toHaveCount(4);
  await expect(strands.getByText(/^Phone: confirmed/)).toHaveCount(4);
  await expect(strands.getByText(/^A file of 60 px fills 300 px on the page/)).toHaveCount(8);
  await page.getByRole('button', { name: '1 finding in Proof' }).click();
  const findings = page.getByRole('list', { name: 'Findings' });
  const finding = findings.getByRole('listitem').filter({ hasText: 'A file of 60 px fills 300 px on the page' });
  await expect(finding).toContainText('and 3 others, desktop and phone');
  const line = html.slice(0, html.indexOf('<li>')).split('\n').length;
  await expect(finding.getByRole('button', { name: `index.html:${line}`, exact: true })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Rehearse' })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/markup/);
});

test('after a rehearsal of 200 pictures one Back leads to the screen before', { tag: LONG }, async ({ page }) => {
  test.setTimeout(2_400_000);
  const wired = wiredPage('lightbox');
  // Neighbours are other pictures, or a step could not be seen.
  const items = [...wired.matchAll(/^ +<li>.*$/gm)].map(([item]) => `${item}\n`).join('');
  await openFiles(page, {
    'index.html': wired.replace('</ul>', `${items.repeat(49)}</ul>`),
    ...kitFiles('lightbox'),
    ...(await pictures()),
  });
  await goTo(page, 'markup');
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const status = page.getByRole('dialog').getByRole('status');
  await expect(status).toHaveText('200 strands as expected', { timeout: 2_000_000 });
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await page.goBack();
  await expect(page).toHaveURL(/\/markup/);
});

test('where nothing is left to wire, the links that are not answered are named with their reasons', async ({
  page,
}) => {
  const html = wiredPage('lightbox').replace('large/mere.jpg', 'index.html');
  await openFiles(page, { 'index.html': html, ...kitFiles('lightbox'), ...(await pictures()) });
  await goTo(page, 'wiring');
  await settled(page);
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  const dialog = page.getByRole('dialog', { name: /^Add a viewer/ });
  await expect(dialog.getByRole('button', { name: 'Apply' })).toBeDisabled();
  await expect(dialog).toContainText('1 link cannot be wired as written:');
  await expect(dialog.getByRole('listitem')).toContainText(/^mere: .*index\.html/i);

  // The list of viewers is one stop of Tab, gone through by arrow keys.
  const rows = dialog.getByRole('group', { name: 'Viewer' }).locator('[data-viewer]');
  await rows.first().focus();
  await page.keyboard.press('ArrowDown');
  await expect(rows.nth(1)).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(rows.last()).toBeFocused();
  await dialog.getByRole('button', { name: 'mere' }).click();
  await expect(page).toHaveURL(/\/markup\?/);
});
