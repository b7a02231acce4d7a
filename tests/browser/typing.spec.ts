/** What is typed is not lost, however soon afterwards the page goes. */
import type { Page } from '@playwright/test';
import { cursorAfter } from './editorSteps';
import { expect, kill, LONG, openKites, openPage, settled, test } from './fixtures';

const WORDS = 'and then the wind went round';

async function typeSlowly(page: Page, words: string): Promise<void> {
  // Faster than the pause after which typed text is written: there is none before the end.
  for (const letter of words) await page.keyboard.type(letter, { delay: 40 });
}

async function atTheHeading(page: Page): Promise<string> {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await cursorAfter(page, 'Three days in March');
  return page.url();
}

const WAYS: [string, (page: Page) => Promise<void>][] = [
  ['the tab is closed', (page) => page.close()],
  ['another address is gone to', (page) => page.goto('about:blank').then(() => page.close())],
  ['the page is loaded again', (page) => page.reload().then(() => page.close())],
];

for (const [what, leave] of WAYS)
  test(
    `typed text is there where ${what} right after a key`,
    { tag: what.includes('closed') ? [] : LONG },
    async ({ context }) => {
      const page = await context.newPage();
      const address = await atTheHeading(page);
      await page.keyboard.type(WORDS);
      await leave(page);
      const next = await context.newPage();
      await next.goto(address);
      await settled(next);
      await expect(next.locator('.cm-content')).toContainText(`Three days in March${WORDS}`);
      // It is a change like any other.
      await next.getByRole('button', { name: 'Undo: Type in workshop.html' }).click();
      await expect(next.locator('.cm-content')).not.toContainText(WORDS);
    },
  );

test(
  'of somebody who types on and on, the last half second is lost at most when the browser is killed',
  { tag: LONG },
  async ({ context }) => {
    const page = await context.newPage();
    const address = await atTheHeading(page);
    await typeSlowly(page, WORDS);
    const kept = page.evaluate(() => new Promise<number>((resolve) => setTimeout(() => resolve(1), 500)));
    // What follows keeps the pause from coming; what is above is older than half a second when the kill lands.
    for (let n = 0; n < 14; n++) await page.keyboard.type('.', { delay: 40 });
    await kept;
    await kill(page);
    await page.close();
    const next = await context.newPage();
    await next.goto(address);
    await settled(next);
    await expect(next.locator('.cm-content')).toContainText(`Three days in March${WORDS}`);
  },
);

/** Runs in the page: what another tab writes last, in the moment before this one is let in. */
function writtenByAnother(): void {
  const asItIs: unknown = Object.getOwnPropertyDescriptor(LockManager.prototype, 'request')?.value;
  const write = () =>
    new Promise<void>((done, failed) => {
      const opening = indexedDB.open('heathmoor');
      opening.onerror = () => failed(opening.error ?? new Error('The store cannot be opened.'));
      opening.onsuccess = () => {
        const tx = opening.result.transaction('files', 'readwrite');
        const cursors = tx.objectStore('files').openCursor();
        cursors.onsuccess = () => {
          const cursor = cursors.result;
          const record = cursor?.value as { path: string; content: { text?: string } } | undefined;
          if (cursor && record?.path === 'workshop.html') {
            record.content.text = record.content.text?.replace('Three days', 'Four days') ?? '';
            cursor.update(record);
          } else cursor?.continue();
        };
        tx.oncomplete = () => {
          opening.result.close();
          done();
        };
      };
    });
  let first = true;
  LockManager.prototype.request = async function locked(this: LockManager, ...asked: unknown[]) {
    if (first && String(asked[0]).startsWith('heathmoor-site-')) {
      first = false;
      await write();
    }
    return Reflect.apply(asItIs as () => unknown, this, asked) as unknown;
  };
}

test('what another tab wrote while it went is there when this one is let in', async ({ context }) => {
  const page = await context.newPage();
  const address = await atTheHeading(page);
  await page.close();
  const next = await context.newPage();
  await next.addInitScript(writtenByAnother);
  await next.goto(address);
  await settled(next);
  await expect(next.locator('.cm-content')).toContainText('Four days in March');
});
