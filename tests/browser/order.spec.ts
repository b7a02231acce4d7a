/** Order and housekeeping: by day, by hand, tags, names by a pattern, copies given up, and pictures from a list. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { violations } from './axe';
import { expect, openKites, openFiles, photograph, show, test, unpacked, LONG } from './fixtures';

const list = (page: Page) => page.getByRole('list', { name: 'Pictures in order' });
const names = async (page: Page, count: number) =>
  (await list(page).getByRole('listitem').allTextContents())
    .slice(0, count)
    .map((text) => /([\w-]+)\.(jpg|JPG)/.exec(text)?.[1]);

test(
  'pictures stand by name, by day or by hand; a gallery follows; by mouse and by keyboard',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page);
    await show(page, 'Order and names');
    await expect.poll(() => names(page, 2)).toEqual(['TKC_0412', 'TKC_0415']);
    await page
      .getByRole('group', { name: 'Order of the pictures' })
      .getByRole('button', { name: 'by date taken' })
      .click();
    await expect(list(page).getByRole('listitem').first()).toContainText('2026-03-14');
    await expect.poll(async () => (await names(page, 4)).length).toBe(4);
    const byDay = await names(page, 4);
    expect(await violations(page)).toEqual([]);

    await page.getByRole('button', { name: `Move ${byDay[1]} down` }).click();
    await expect(
      page.getByRole('group', { name: 'Order of the pictures' }).getByRole('button', { name: 'by hand' }),
    ).toHaveAttribute('aria-pressed', 'true');
    await expect.poll(() => names(page, 4)).toEqual([byDay[0], byDay[2], byDay[1], byDay[3]]);
    // By its handle and the keys alone.
    await page.getByRole('button', { name: `Move ${byDay[3]} from place` }).focus();
    // What is announced to a screen reader says when it is there.
    const announced = page.locator('[id^="DndLiveRegion"]');
    const over = (name: string | undefined) => new RegExp(`over droppable area \\S*${name}`);
    await page.keyboard.press('Space');
    // Over its own place: only now it listens to the arrows.
    await expect(announced).toHaveText(over(byDay[3]));
    await page.keyboard.press('ArrowUp');
    await expect(announced).toHaveText(over(byDay[1]));
    await page.keyboard.press('ArrowUp');
    await expect(announced).toHaveText(over(byDay[2]));
    await page.keyboard.press('Space');
    await expect.poll(() => names(page, 4)).toEqual([byDay[0], byDay[3], byDay[2], byDay[1]]);
    // Several at once by dragging one of them.
    for (const name of [byDay[2], byDay[1]]) await page.getByRole('checkbox', { name: `Choose ${name}` }).check();
    await expect(page.getByText('2 pictures chosen')).toBeVisible();
    const from = (await page.getByRole('button', { name: `Move ${byDay[1]} from place` }).boundingBox())!;
    const to = (await page.getByRole('button', { name: `Move ${byDay[0]} from place` }).boundingBox())!;
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 10, from.y - 30, { steps: 4 });
    await page.mouse.move(to.x + 10, to.y + 4, { steps: 8 });
    await expect(announced).toHaveText(over(byDay[0]));
    await page.mouse.up();
    await expect.poll(() => names(page, 4)).toEqual([byDay[2], byDay[1], byDay[0], byDay[3]]);
    await page.reload();
    await expect.poll(() => names(page, 4)).toEqual([byDay[2], byDay[1], byDay[0], byDay[3]]);

    await page.getByRole('group', { name: 'Order of the pictures' }).getByRole('button', { name: 'by name' }).click();
    await page.getByRole('combobox', { name: 'Apply this order to a gallery' }).click();
    await page.getByRole('option', { name: 'festival.html' }).click();
    await expect(page.getByRole('status').getByText('Reorder the gallery of festival.html')).toBeVisible();
    const html = readFileSync(join(await unpacked(page), 'festival.html'), 'utf8');
    const order = [...html.matchAll(/href="photos\/large\/([\w-]+)\.jpg"/g)].map(([, name]) => name!);
    expect(order).toEqual([...order].sort());
    expect(order.length).toBe(12);
  },
);

test(
  'tags for many, names by a pattern for those with one tag; every reference follows',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page);
    await show(page, 'Order and names');
    for (const name of ['delta-over-mere', 'box-kite-lark'])
      await page.getByRole('checkbox', { name: `Choose ${name}` }).check();
    await page.getByRole('textbox', { name: 'Tag' }).fill('first flights');
    await page.getByRole('button', { name: 'Add tag' }).click();
    await page.getByRole('combobox', { name: 'Only pictures tagged' }).click();
    await page.getByRole('option', { name: 'first flights' }).click();
    await expect(list(page).getByRole('listitem')).toHaveCount(2);
    await page.getByRole('button', { name: 'Rename…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Rename 2 pictures' });
    const pattern = dialog.getByRole('textbox', { name: 'Pattern' });
    await pattern.fill('{place}');
    await expect(dialog.getByText('“{place}” is not known')).toBeVisible();
    await pattern.fill('Flight {number:2} {date}');
    await expect(dialog.getByRole('list', { name: 'New names' }).getByText('flight-01-2026-06-20.jpg')).toHaveCount(2);
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Rename 4 files' }).click();
    await expect(list(page).getByText('photos/large/flight-01-2026-06-20.jpg')).toBeVisible();
    await page.getByRole('button', { name: 'Remove the tag first flights from flight-01-2026-06-20' }).click();
    await expect(list(page).getByRole('listitem')).toHaveCount(1);
    const out = await unpacked(page);
    const html = readFileSync(join(out, 'festival.html'), 'utf8');
    expect(html).toContain('href="photos/large/flight-01-2026-06-20.jpg"');
    expect(html).toContain('src="photos/small/flight-02-2026-06-20.jpg"');
    expect(html).not.toContain('box-kite-lark.jpg');
    await page.getByRole('button', { name: /^Undo: Tag/ }).click();
    await page.getByRole('button', { name: 'Undo: Rename 4 files' }).click();
    expect(readFileSync(join(await unpacked(page), 'festival.html'), 'utf8')).toContain('box-kite-lark.jpg');
  },
);

test('copies are shown in groups: the same to the byte, and the same but for size; one is kept, pages follow', async ({
  page,
}) => {
  const [a, b] = await Promise.all([1, 4].map((n) => photograph(n)));
  await openFiles(page, {
    'index.html':
      '<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<p><a href="old/moor.jpg"><img src="small/moor.jpg" alt="m"></a><a href="hill.jpg"><img src="small/hill.jpg" alt="h"></a></p>\n</body></html>\n',
    'moor.jpg': a!,
    'old/moor.jpg': a!,
    'small/moor.jpg': await sharp(a).resize(150).jpeg().toBuffer(),
    'hill.jpg': await sharp(b).resize(800).jpeg({ quality: 60 }).toBuffer(),
    'hill-original.jpg': b!,
    'small/hill.jpg': await sharp(b).resize(150).jpeg().toBuffer(),
  });
  await show(page, 'Duplicates, 2');
  const groups = page.getByRole('list', { name: 'Groups of duplicates' });
  await expect(groups.getByText('identical files')).toBeVisible();
  await expect(groups.getByText('same picture, other size or compression')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  // What a page shows is proposed; here the other one is wanted.
  await expect(groups.getByRole('button', { name: 'Keep hill.jpg, delete 1 copy' })).toBeVisible();
  await groups.getByRole('radio', { name: /hill-original\.jpg/ }).check();
  await groups.getByRole('button', { name: 'Keep hill-original.jpg, delete 1 copy' }).click();
  await expect(groups.getByText('same picture, other size or compression')).toHaveCount(0);
  await groups.getByRole('button', { name: 'Keep old/moor.jpg, delete 1 copy' }).click();
  await expect(page.getByText('No duplicates')).toBeVisible();
  const html = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
  expect(html).toContain(
    '<a href="old/moor.jpg"><img src="small/moor.jpg" alt="m"></a><a href="hill-original.jpg"><img src="small/hill.jpg" alt="h"></a>',
  );
});

test(
  'a gallery’s pictures come from a list, whose columns are told once; outside addresses are kept and never fetched',
  { tag: LONG },
  async ({ page }) => {
    const asked: string[] = [];
    page.on('request', (request) => {
      if (!/^(blob|data):|\/\/([\w.]*localhost|127\.0\.0\.1)/.test(request.url())) asked.push(request.url());
    });
    const [a, b] = await Promise.all([1, 4].map((n) => photograph(n)));
    const small = (full: Buffer) => sharp(full).resize(150).jpeg().toBuffer();
    await openFiles(page, {
      'index.html':
        '<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<ul>\n<li><a href="large/moor.jpg"><img src="small/moor.jpg" alt="m"></a></li>\n<li><a href="https://pictures.example/hill.jpg"><img src="small/hill.jpg" alt="h"></a></li>\n</ul>\n</body></html>\n',
      'large/moor.jpg': a!,
      'small/moor.jpg': await small(a!),
      'small/hill.jpg': await small(b!),
      'small/dale.jpg': await small(await photograph(7)),
      // As a spreadsheet on Windows writes it.
      'list.csv': Buffer.from(
        'where,kleiner,what\nhttps://pictures.example/dale.jpg,small/dale.jpg,"The dale, früh"\nlarge/nothing.jpg,,Nothing\n',
        'latin1',
      ),
    });
    const elsewhere = page.getByRole('region', { name: 'At external URLs' });
    await expect(elsewhere.getByText('https://pictures.example/hill.jpg')).toBeVisible();
    await show(page, 'Order and names');
    const open = async () => {
      await page.getByRole('button', { name: 'From a list…' }).click();
      await page
        .getByRole('dialog', { name: 'Pictures from a list' })
        .getByRole('button', { name: 'list.csv' })
        .click();
      return page.getByRole('dialog', { name: 'Pictures from a list' });
    };
    const dialog = await open();
    await expect(dialog.getByText(/needs a thumbnail beside it/)).toBeVisible();
    await expect(dialog.getByText('list.csv was read as Windows-1252.')).toBeVisible();
    for (const [label, column] of [
      ['Thumbnail', 'kleiner'],
      ['Title', 'what'],
    ] as const) {
      await dialog.getByRole('combobox', { name: label }).click();
      await page.getByRole('option', { name: column }).click();
    }
    await expect(dialog.getByText('Row 2: there is no large/nothing.jpg in this site.')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Add 1 picture' }).click();
    await expect(page.getByRole('status').getByText('Take 1 difference from list.csv to index.html')).toBeVisible();
    // The columns are known the next time.
    await expect((await open()).getByRole('combobox', { name: 'Title' })).toContainText('what');
    await page
      .locator('[data-pick="list"]')
      .setInputFiles({ name: 'list.xml', mimeType: 'application/xml', buffer: Buffer.from('<g><p></g>') });
    await expect(dialog.getByRole('alert')).toContainText('list.xml: It is not XML');
    await page.keyboard.press('Escape');
    const html = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
    expect(html).toContain(
      '<li><a href="https://pictures.example/dale.jpg"><img src="small/dale.jpg" alt="The dale, früh"></a></li>',
    );
    expect(asked).toEqual([]);
  },
);
