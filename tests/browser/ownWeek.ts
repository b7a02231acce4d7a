/**
 * A week on a site of one's own, from a folder on disk to the checked ZIP: what people do with pictures, pages, scripts
 * and looks, one step after the other, with a mouse or with a keyboard.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import Papa from 'papaparse';
import { withoutDemo } from '../setOut';
import { TYPED } from '../weekSite';
import { expect, settled } from './fixtures';
import type { Hands } from './hands';

/** Photographs of several megapixels are read and made into sizes on a machine that others share. */
export const SLOW = 600_000;

/** For what one step brings about. */
const PATIENCE = 60_000;

/** Lies on its side until it is rotated. */
const ON_ITS_SIDE = 'camera/DSC_0120.JPG';

/** What somebody writes into the list of pictures, in another program. */
const LISTED = (file: string) => ({
  alt: `What ${/(\w+)\.\w+$/.exec(file)?.[1]?.replace('_', ' no. ')} shows`,
  caption: `Told of ${/(\w+)\.\w+$/.exec(file)?.[1]?.replace('_', ' no. ')}`,
});

class Week {
  constructor(
    readonly page: Page,
    readonly hands: Hands,
  ) {}

  readonly station = (name: string) =>
    this.hands.press(
      this.page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: new RegExp(`^${name}`) }),
    );

  readonly tab = (name: RegExp) =>
    this.hands.press(this.page.getByRole('tablist', { name: 'Views of the pictures' }).getByRole('tab', { name }));

  readonly button = (name: string | RegExp, within: Page | Locator = this.page) =>
    this.hands.press(within.getByRole('button', { name }).first());

  readonly said = (words: string | RegExp) =>
    expect(this.page.getByRole('status').getByText(words).first()).toBeVisible({ timeout: PATIENCE });

  async saved(button: Locator): Promise<string> {
    const download = this.page.waitForEvent('download', { timeout: PATIENCE });
    await this.hands.press(button);
    return (await download).path();
  }

  async import(folder: string): Promise<void> {
    await this.hands.choose(this.page.getByRole('button', { name: 'Import a folder' }), folder);
    await this.page.waitForURL(/\/pairs(\?|$)/, { timeout: 90_000 });
    await settled(this.page);
  }

  /** Clear parts, copies, credits, texts out of a list, the order, one that lies on its side; then all sizes. */
  async pictures(): Promise<void> {
    const { page, hands } = this;
    await this.button('Keep PNG');
    await this.tab(/^Duplicates, 2$/);
    const copies = page.getByRole('list', { name: 'Groups of duplicates' }).getByRole('listitem');
    await this.button(/^Keep camera\/DSC_0117\.JPG, delete 1 copy$/, copies.first());
    await expect(copies).toHaveCount(1);
    await this.tab(/^Text/);
    await hands.fill(page.getByRole('textbox', { name: 'Default copyright' }), '© Five friends');
    await hands.press(
      page.getByRole('region', { name: 'Credits and lists' }).getByRole('button', { name: 'Save', exact: true }),
    );
    const list = await this.saved(page.getByRole('button', { name: 'Save as CSV' }));
    await hands.choose(page.getByRole('button', { name: 'Read a CSV…' }), filledIn(list));
    await this.said(/^Import \d+ rows of texts/);
    await this.tab(/^Order/);
    await this.button('by date taken');
    await this.tab(/^Pairs/);
    await this.rotate();
    await this.button('Replace thumbnails');
    const thumbnails = page.getByRole('dialog', { name: 'Replace thumbnails' });
    await hands.press(thumbnails.getByRole('checkbox', { name: /^Select all/ }));
    await this.button(/^Replace \d+ thumbnails/, thumbnails);
    await this.said(/^Create \d+ thumbnails/);
    await this.button(/^Create all sizes/);
    await this.said(/^Create \d+ pictures/);
  }

  async rotate(): Promise<void> {
    const row = this.page
      .getByRole('list', { name: 'Pairs' })
      .getByRole('listitem')
      .filter({ has: this.page.getByText(ON_ITS_SIDE, { exact: true }) })
      .first();
    await this.hands.press(row.getByRole('button').first());
    await this.button('Close look', row);
    const look = this.page.getByRole('dialog', { name: /^Close look at/ });
    await this.hands.press(look.getByRole('button', { name: 'Rotate', exact: true }));
    await this.button('Rotate right', look);
    await this.button(/^Apply to the files of/, look);
    await expect(look.getByRole('status')).toContainText(`Rotate DSC_0120.JPG`, { timeout: PATIENCE });
    await this.button('Close', look);
  }

  /** A page made from one that is there, with the stylesheet on all, and a part of it under a heading of its own. */
  async pages(): Promise<void> {
    const { page, hands } = this;
    await this.station('Markup');
    await this.button('New page');
    const dialog = page.getByRole('dialog', { name: 'New page' });
    const title = dialog.getByRole('textbox', { name: 'Title' });
    await hands.pick(dialog.getByRole('combobox', { name: 'Start from' }), 'spring.html');
    await hands.press(dialog.getByRole('checkbox', { name: /^Select all/ }));
    const pairs = dialog.getByRole('checkbox', { name: /^Select (?!all|none)/ });
    for (const n of [0, 1]) await hands.press(pairs.nth(n));
    await hands.press(dialog.getByRole('checkbox', { name: 'Add to every menu' }));
    // Refused: what was ticked stays ticked, and the reason stands beside the field.
    await this.button('Create page', dialog);
    await expect(title).toHaveAccessibleDescription('Write a title.');
    await expect(pairs.nth(2)).toBeChecked();
    await expect(pairs.nth(0)).not.toBeChecked();
    await hands.fill(title, 'Summer');
    await hands.fill(dialog.getByRole('textbox', { name: 'Label in the menu' }), 'Summer');
    await this.button('Create page', dialog);
    await this.said('New page summer.html from spring.html');
    await this.button('This page');
    await this.button('Attach to every page: look.css');
    await this.said(/look\.css/);
    await this.button('Add a section…');
    const section = page.getByRole('form', { name: 'New section' });
    await hands.fill(section.getByRole('textbox', { name: 'Heading' }), 'By the mill');
    const moved = section.getByRole('checkbox', { name: /^Select (?!all|none)/ });
    for (const n of [4, 5, 6]) await hands.press(moved.nth(n));
    await this.button('Add section', section);
    await this.said(/section/i);
    await this.button('List the sections');
    await this.said(/^List the 2 sections/);
    await this.button('Back to the source');
    await this.station('Pairs');
    await this.tab(/^Order/);
    await this.button('by name');
    await hands.pick(page.getByRole('combobox', { name: 'Apply this order to a gallery' }), 'summer.html, “Summer”');
    await this.said(/^Reorder the gallery of summer\.html/);
  }

  /** A page whose gallery is empty at first, and then takes the pictures that are left. */
  async emptied(): Promise<void> {
    const { page, hands } = this;
    await this.station('Markup');
    await this.button('New page');
    const dialog = page.getByRole('dialog', { name: 'New page' });
    await hands.fill(dialog.getByRole('textbox', { name: 'Title' }), 'Autumn');
    await hands.pick(dialog.getByRole('combobox', { name: 'Start from' }), 'spring.html');
    await this.button('Create page', dialog);
    await this.said('New page autumn.html from spring.html');
    await this.button(/^Add \d+ pairs/);
    const adding = page.getByRole('dialog', { name: 'Add to autumn.html' });
    await this.button(/^Add \d+ items$/, adding);
    await this.said(/^Add \d+ pictures to autumn\.html/);
  }

  /** A sentence by hand; letters that come after Escape do nothing. */
  async typing(): Promise<void> {
    const { page, hands } = this;
    await hands.pick(page.getByRole('combobox', { name: 'Page', exact: true }), 'about.html');
    const editor = page.getByRole('textbox', { name: /^Source of about\.html/ });
    const lines = await editor.locator('.cm-line').allTextContents();
    await hands.endOfLine(editor, lines.findIndex((line) => line.includes('Five friends')) + 1);
    await hands.type(TYPED);
    await hands.key('Escape');
    const [address, text] = [page.url(), await editor.textContent()];
    await hands.type('fhj?');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    expect([page.url(), await editor.textContent()]).toEqual([address, text]);
    await hands.pick(page.getByRole('combobox', { name: 'Page', exact: true }), 'summer.html');
  }

  /** The script, its options and its look by eye; every picture is clicked, as a visitor would. */
  async viewer(): Promise<void> {
    const { page, hands } = this;
    await this.station('Wiring');
    await this.button('Add a viewer');
    await this.button(/^Lightbox/, page.getByRole('dialog'));
    await hands.press(page.getByRole('dialog').getByRole('checkbox', { name: 'spring.html' }));
    await this.button('Apply', page.getByRole('dialog'));
    await this.said(/lightbox/i);
    await this.button('Options');
    const options = page.getByRole('region', { name: 'Options' });
    await this.button('opened');
    await hands.press(options.getByRole('switch', { name: 'Counter' }));
    await this.said(/counter/i);
    await hands.fill(options.getByRole('textbox', { name: 'Background', exact: true }), '#102030');
    await hands.key('Enter');
    await this.said(/background/i);
    await this.button('390 px wide');
    await expect(page.getByRole('button', { name: '390 px wide' })).toHaveAttribute('aria-pressed', 'true');
    await this.button('Back');
    await this.button('Rehearse');
    const rehearsal = page.getByRole('dialog');
    await expect(rehearsal.getByRole('status')).toHaveText(/as expected/, { timeout: 3 * PATIENCE });
    await this.button('Close', rehearsal);
  }

  /** A phrase in every page, found by a word for it. */
  async replace(): Promise<void> {
    const { page, hands } = this;
    await hands.key('Control+k');
    await hands.fill(page.getByRole('combobox', { name: /^Find a page/ }), 'replace text');
    await hands.key('Enter');
    const dialog = page.getByRole('dialog', { name: 'Find and replace' });
    await hands.fill(dialog.getByRole('textbox', { name: 'Find' }), '<em>patience</em>');
    await hands.fill(dialog.getByRole('textbox', { name: 'Replace with' }), '<em>patience</em>, love');
    await this.button('Replace in 5 places', dialog);
    await this.button('Close', dialog);
  }

  /** What is still wrong, the page at three widths, and the way out; gives the folder. */
  async leave(): Promise<string> {
    const { page, hands } = this;
    await this.station('Proof');
    await this.button('Add the viewport tag');
    await this.said(/viewport/);
    await hands.pick(page.getByRole('combobox', { name: 'Page', exact: true }), 'summer.html');
    for (const width of [390, 768, 1280])
      await expect(page.getByTitle(`summer.html at ${width} px`)).toBeVisible({ timeout: 60_000 });
    await this.station('Pack');
    const zip = await this.saved(page.getByRole('button', { name: 'Save as ZIP' }));
    const out = mkdtempSync(join(tmpdir(), 'week-'));
    execFileSync('unzip', ['-q', zip, '-d', out]);
    return out;
  }

  async rename(): Promise<void> {
    const { page, hands } = this;
    await hands.press(page.getByRole('link', { name: /Heathmoor/ }).first());
    await this.button(/^Rename /);
    const dialog = page.getByRole('dialog', { name: 'Rename site' });
    await hands.fill(dialog.getByRole('textbox', { name: 'Name' }), 'Sundays out');
    await hands.key('Enter');
    await expect(dialog).toHaveCount(0);
    await expect(page.getByRole('link', { name: 'Sundays out' })).toBeVisible();
  }
}

/** The list as somebody gives it back: with a text for every picture of the camera. */
function filledIn(list: string): string {
  const { data } = Papa.parse<Record<string, string>>(readFileSync(list, 'utf8'), {
    header: true,
    skipEmptyLines: true,
  });
  const told = data.map((row) => {
    if (!row.file?.startsWith('camera/')) return row;
    const listed = LISTED(row.file);
    // What the camera's owner wrote into the file stands in the list already.
    return { ...row, ...listed, caption: row.caption || listed.caption };
  });
  const back = join(mkdtempSync(join(tmpdir(), 'list-')), 'texts.csv');
  writeFileSync(back, Papa.unparse(told));
  return back;
}

/** Gives the folder that left. */
export async function ownWeek(page: Page, hands: Hands, folder: string): Promise<string> {
  const week = new Week(page, hands);
  await withoutDemo(page);
  await page.goto('/');
  await week.import(folder);
  await week.pictures();
  await week.pages();
  await week.emptied();
  await week.typing();
  await week.viewer();
  await week.replace();
  const out = await week.leave();
  await week.rename();
  return out;
}
