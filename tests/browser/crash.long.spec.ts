/** The page is killed in the middle of edits; each is there with its entry of the journal, or not at all. */
import { withoutDemo } from '../setOut';
import { importFolder, expect, folderWith, kill, photograph, test } from './fixtures';

const PAGE = `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<p><a href="a.jpg"><img src="thumbs/a.jpg" alt="a"></a></p>\n<p><a href="b.jpg"><img src="thumbs/b.jpg" alt="b"></a></p>\n</body></html>\n`;

test('an edit that is killed is there with its journal entry, or not at all', async ({ context, baseURL }) => {
  test.setTimeout(120_000);
  const first = await context.newPage();
  await withoutDemo(first);
  await first.goto(baseURL ?? '');
  await importFolder(
    first,
    folderWith({
      'index.html': PAGE,
      'a.jpg': await photograph(1),
      'b.jpg': await photograph(2),
      'thumbs/a.jpg': await photograph(1, 400, 400),
      'thumbs/b.jpg': await photograph(2, 400, 400),
    }),
  );
  const address = first.url().replace(/pairs$/, 'markup');
  await first.close();
  let written = 0;
  // The first is killed before it is asked for, the last when it is seen to be written; those between land where they may.
  for (const delay of [null, 0, 4, 10, 20, 40, 'written'] as const) {
    const page = await context.newPage();
    await page.goto(address);
    await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
    await page.keyboard.press('j');
    const field = page.getByRole('textbox', { name: 'Alt text' });
    const before = await field.inputValue();
    await field.fill(`words after ${delay}`);
    if (delay !== null) await field.press('Enter');
    if (delay === 'written') await expect(page.getByRole('button', { name: /^Undo: / })).toBeVisible();
    else if (delay !== null) await page.waitForTimeout(delay);
    await kill(page);
    await page.close();
    const next = await context.newPage();
    await next.goto(address);
    await expect(next.getByText('2 items in 1 gallery')).toBeVisible();
    await next.keyboard.press('j');
    const now = await next.getByRole('textbox', { name: 'Alt text' }).inputValue();
    expect([before, `words after ${delay}`]).toContain(now);
    if (delay === null) expect(now).toBe(before);
    if (delay === 'written') expect(now).not.toBe(before);
    if (now !== before) {
      // What was written can be undone, so its entry was written with it.
      written++;
      await next.getByRole('button', { name: /^Undo: / }).click();
      await expect(next.getByRole('textbox', { name: 'Alt text' })).toHaveValue(before);
    }
    await next.close();
  }
  console.log(`of 7 edits killed on their way, ${written} had been written`);
});
