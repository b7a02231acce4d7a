/**
 * Every state of a pair on screen, each with its way out; pairing by hand, by drag and by keyboard; decisions that
 * last.
 */
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, goTo, openFiles, photograph, rowOf, test, unpacked, LONG } from './fixtures';
import { inBytes } from '../../core/site/index.ts';
import { violations } from './axe';
import { drawn, thumbnailOf } from '../bench/labelled';

const thumbnail = (full: Buffer, width = 150) => sharp(full).resize({ width }).jpeg({ quality: 80 }).toBuffer();
const crop = (full: Buffer) =>
  sharp(full)
    .extract({ left: 60, top: 40, width: 700, height: 700 })
    .resize({ width: 150 })
    .jpeg({ quality: 80 })
    .toBuffer();

const ways = (page: Page, full: string) => rowOf(page, full).getByRole('group');

test('every state is told, and each has its way out', async ({ page }) => {
  const [sure, cased, another, disagree, single, swapped, twice, cropped, spare] = await Promise.all(
    [1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => photograph(n)),
  );
  await openFiles(page, {
    'index.html':
      '<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<p><a href="copy/g-twice.jpg"><img src="small/a-sure.jpg" alt="a"></a></p>\n</body></html>\n',
    'large/a-sure.jpg': sure!,
    'small/a-sure.jpg': await thumbnail(sure!),
    'large/B-Cased.jpg': cased!,
    'small/b-cased.jpg': await thumbnail(cased!),
    'large/c-another.jpg': another!,
    'small/c-another.jpg': await thumbnail(sure!, 140),
    'large/d-disagree.jpg': disagree!,
    'small/img_0231.jpg': await thumbnail(disagree!),
    'large/e-single.jpg': single!,
    'large/f-swapped.jpg': await thumbnail(swapped!),
    'small/f-swapped.jpg': swapped!,
    'large/g-twice.jpg': twice!,
    'copy/g-twice.jpg': twice!,
    'large/h-cropped.jpg': cropped!,
    'small/h-cropped.jpg': await crop(cropped!),
    'large/i-damaged.jpg': 'no picture',
    'small/j-alone.jpg': await thumbnail(spare!),
  });
  const states: [string, string, string][] = [
    ['large/a-sure.jpg', 'matched', 'name and content'],
    ['large/B-Cased.jpg', 'case differs', 'except for case'],
    ['large/c-another.jpg', 'another picture', 'shows a-sure.jpg'],
    ['large/d-disagree.jpg', 'names disagree', 'content only'],
    ['large/e-single.jpg', 'to create', 'no thumbnail'],
    ['large/f-swapped.jpg', 'swapped', 'name'],
    ['copy/g-twice.jpg', 'duplicate', 'same as large/g-twice.jpg'],
    ['large/h-cropped.jpg', 'matched', 'a crop, from'],
    ['large/i-damaged.jpg', 'unreadable', 'cannot decode this picture'],
  ];
  for (const [full, state, ground] of states) {
    await expect(rowOf(page, full)).toContainText(state);
    await expect(rowOf(page, full)).toContainText(ground);
  }
  await expect(page.getByRole('region', { name: 'Unpaired files' }).getByText('small/j-alone.jpg')).toBeVisible();
  await expect(
    rowOf(page, 'large/h-cropped.jpg').getByRole('img', { name: 'The part that the thumbnail shows' }),
  ).toBeVisible();
  expect(await violations(page)).toEqual([]);

  const take = async (full: string, way: string | RegExp) => {
    await rowOf(page, full).getByRole('button').first().click();
    await ways(page, full).getByRole('button', { name: way }).click();
  };
  await take('large/B-Cased.jpg', 'Rename to B-Cased.jpg');
  await expect(rowOf(page, 'large/B-Cased.jpg')).toContainText('matched');
  await take('large/c-another.jpg', 'Create the thumbnail again from c-another.jpg');
  await expect(rowOf(page, 'large/c-another.jpg')).toContainText('matched');
  await take('large/d-disagree.jpg', 'Rename to d-disagree.jpg');
  await expect(rowOf(page, 'large/d-disagree.jpg')).toContainText('matched');
  await take('large/e-single.jpg', 'Create e-single.jpg');
  await expect(rowOf(page, 'large/e-single.jpg')).toContainText('matched');
  await take('large/f-swapped.jpg', 'Swap the two files');
  await expect(rowOf(page, 'large/f-swapped.jpg')).toContainText('matched');
  await take('copy/g-twice.jpg', 'Use large/g-twice.jpg instead');
  await expect(rowOf(page, 'copy/g-twice.jpg')).toHaveCount(0);

  const out = await unpacked(page);
  expect(readFileSync(join(out, 'index.html'), 'utf8')).toContain(
    '<a href="large/g-twice.jpg"><img src="small/a-sure.jpg" alt="a"></a>',
  );
  expect((await sharp(join(out, 'large/f-swapped.jpg')).metadata()).width).toBe(1200);
});

test('a thumbnail that fits several is decided by hand; the decision is undone, and lasts when the pictures come in again', async ({
  page,
}) => {
  const first = await photograph(1);
  // The same picture with a line of writing at its foot: too alike to tell by a thumbnail, too different to be a copy.
  const second = await sharp(first)
    .composite([
      { input: { create: { width: 400, height: 60, channels: 3, background: '#101010' } }, left: 20, top: 720 },
    ])
    .jpeg({ quality: 90 })
    .toBuffer();
  const files = {
    'dsc_1.jpg': await sharp(first)
      .extract({ left: 0, top: 0, width: 1000, height: 660 })
      .resize({ width: 150 })
      .jpeg()
      .toBuffer(),
    'moor.jpg': first,
    'signed.jpg': second,
    'spare.jpg': await photograph(4),
  };
  await openFiles(page, files);
  await expect(page.getByText('several fit')).toBeVisible();
  const row = page.getByRole('listitem').filter({ hasText: 'several fit' });
  await row.getByRole('button').first().click();
  await row.getByRole('button', { name: 'Pair with signed.jpg' }).click();
  await expect(rowOf(page, 'signed.jpg')).toContainText('decided by hand');
  await page.reload();
  await expect(rowOf(page, 'signed.jpg')).toContainText('decided by hand');
  await page.getByRole('button', { name: 'Undo: Pair dsc_1.jpg with signed.jpg' }).click();
  await expect(page.getByText('several fit')).toBeVisible();
  await page.getByRole('button', { name: 'Redo: Pair dsc_1.jpg with signed.jpg' }).click();
  await expect(rowOf(page, 'signed.jpg')).toContainText('decided by hand');
  // Nothing of it leaves with the site.
  await goTo(page, 'pack');
  await expect(page.getByText('heathmoor.json', { exact: true })).toHaveCount(1);
  await expect(page.getByText('4 files,')).toBeVisible();
  await openFiles(page, files);
  await expect(rowOf(page, 'signed.jpg')).toContainText('decided by hand');
});

test('loose files are paired by dragging, and by keyboard alone', async ({ page }) => {
  const [a, b, c, d] = await Promise.all([1, 2, 3, 4].map((n) => photograph(n)));
  await openFiles(page, {
    'large/a.jpg': a!,
    'large/b.jpg': b!,
    'small/x.jpg': await thumbnail(c!),
    'small/y.jpg': await thumbnail(d!),
  });
  const tray = page.getByRole('region', { name: 'Unpaired files' });
  const from = (await tray.getByRole('img').or(tray.locator('img')).first().boundingBox())!;
  const onto = (await rowOf(page, 'large/a.jpg').boundingBox())!;
  await page.mouse.move(from.x + 10, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y - 20, { steps: 4 });
  await page.mouse.move(onto.x + 60, onto.y + onto.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(rowOf(page, 'large/a.jpg')).toContainText('decided by hand');
  await expect(rowOf(page, 'large/a.jpg')).toContainText('small/x.jpg');

  await tray.getByRole('button', { name: 'Pair with…' }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Pair y.jpg' });
  await expect(dialog.getByRole('combobox')).toBeFocused();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.type('large/b');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Confirm the pair' }).focus();
  await page.keyboard.press('Enter');
  await expect(rowOf(page, 'large/b.jpg')).toContainText('small/y.jpg');
  await expect(tray).toHaveCount(0);

  await rowOf(page, 'large/b.jpg').getByRole('button').first().click();
  await ways(page, 'large/b.jpg').getByRole('button', { name: 'Remove the decision' }).click();
  await expect(tray.getByText('small/y.jpg')).toBeVisible();
});

test('thumbnails alone are shown as what they are, however many there are', async ({ page }) => {
  const small = await thumbnail(await photograph(1));
  const names = Array.from({ length: 130 }, (_, n) => `small/k${n}.jpg`);
  const unlike = names.map((name, n) => [name, Buffer.concat([small, Buffer.from(String(n))])]);
  await openFiles(page, Object.fromEntries(unlike) as Record<string, Buffer>);
  const loose = page.getByRole('region', { name: 'Unpaired files' });
  await expect(loose.getByRole('listitem')).toHaveCount(100);
  await loose.getByRole('button', { name: 'Show more of 130' }).click();
  await expect(loose.getByRole('listitem')).toHaveCount(130);
});

test('the recipe decides what is made: a square WebP, as sharp would cut it', async ({ page }) => {
  const full = await photograph(3, 1600, 900);
  await openFiles(page, { 'large/a.jpg': full });
  const recipe = page.getByRole('region', { name: 'File names and image sizes' });
  await expect(recipe).toContainText('at most 150 px wide, JPEG 80');
  await recipe.getByRole('button', { name: 'Change image sizes' }).click();
  const dialog = page.getByRole('dialog', { name: 'Image sizes' });
  const thumbnailForm = dialog.getByRole('region', { name: 'Thumbnail' });
  await thumbnailForm.getByRole('spinbutton', { name: 'Maximum width' }).fill('200');
  await thumbnailForm.getByRole('combobox', { name: 'Resize' }).click();
  await page.getByRole('option', { name: 'crop to fill' }).click();
  // A crop needs both sides, and says so before anything is written.
  await expect(thumbnailForm.getByText('A crop needs both sides of its box.')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Save sizes' })).toBeDisabled();
  expect(await violations(page)).toEqual([]);
  await thumbnailForm.getByRole('spinbutton', { name: 'Maximum height' }).fill('200');
  await thumbnailForm.getByRole('combobox', { name: 'Format' }).click();
  await page.getByRole('option', { name: 'WebP' }).click();
  await dialog.getByRole('combobox', { name: 'Fits a window of' }).click();
  await page.getByRole('option', { name: 'small laptop' }).click();
  await expect(dialog.getByText('fits 1270 × 521 px, JPEG 82')).toBeVisible();
  // The picture as it would be made is seen beside the fields, with its file size.
  await expect(thumbnailForm.getByText(/^200 × 200 px, \S+ kB$/)).toBeVisible();
  await expect(dialog.getByRole('region', { name: 'Full-size' }).getByText(/^926 × 521 px, \S+ kB$/)).toBeVisible();
  const sample = (await thumbnailForm.getByText(/^200 × 200 px/).textContent()) ?? '';
  const picture = thumbnailForm.locator('img');
  expect(await picture.evaluate((one: HTMLImageElement) => [one.naturalWidth, one.naturalHeight])).toEqual([200, 200]);
  await dialog.getByRole('button', { name: 'Save sizes' }).click();
  await expect(recipe).toContainText('cropped to 200 × 200 px, WebP 80');
  await page.reload();
  await expect(recipe).toContainText('cropped to 200 × 200 px, WebP 80');
  await page.getByRole('button', { name: 'Create 1 missing thumbnail' }).click();
  await expect(rowOf(page, 'large/a.jpg')).toContainText('large/thumbs/a.webp');
  await expect(rowOf(page, 'large/a.jpg')).toContainText('a crop, from 0 %, 0 %');

  const made = join(await unpacked(page), 'large/thumbs/a.webp');
  expect(sample).toBe(`200 × 200 px, ${inBytes(statSync(made).size)}`);
  // What stands out in this picture is at its left, so that is the part that is suggested.
  const theirs = await sharp(full)
    .extract({ left: 0, top: 0, width: 900, height: 900 })
    .resize({ width: 200, height: 200, kernel: 'lanczos3' })
    .removeAlpha()
    .raw()
    .toBuffer();
  const ours = await sharp(made).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  expect([ours.info.width, ours.info.height]).toEqual([200, 200]);
  const error = theirs.reduce((sum, value, n) => sum + (value - ours.data[n]!) ** 2, 0) / theirs.length;
  const psnr = 10 * Math.log10(255 ** 2 / error);
  console.log(`square WebP against sharp’s own crop, uncompressed: PSNR ${psnr.toFixed(1)} dB`);
  expect(psnr).toBeGreaterThan(33);
});

test('many crops with unhelpful names are searched for a few at a time', { tag: LONG }, async ({ page }) => {
  const numbers = Array.from({ length: 14 }, (_, n) => n * 5 + 4);
  const nameOf = (n: number) => `small/dsc_${7000 + ((n * 37) % 100)}.jpg`;
  const files = await Promise.all(
    numbers.map(async (n) => {
      const full = await drawn(n);
      return [
        [`large/kite-${n}.jpg`, full],
        [nameOf(n), await thumbnailOf(full, 'cropped', n + 1)],
      ] as const;
    }),
  );
  await openFiles(page, Object.fromEntries(files.flat()));
  await expect(page.getByText('names disagree')).toHaveCount(14);
  for (const n of numbers) await expect(rowOf(page, `large/kite-${n}.jpg`)).toContainText(nameOf(n));
});

test(
  'by name only: what the pictures show does not settle it, and one way makes it anew',
  { tag: LONG },
  async ({ page }) => {
    const [plain, other] = await Promise.all([5, 6].map((n) => drawn(n)));
    // As if the film had been exposed twice: too unlike to be called the same, too alike to be called another.
    const { width = 0, height = 0 } = await sharp(plain).metadata();
    const over = await sharp(other).resize(width, height, { fit: 'fill' }).ensureAlpha(0.55).png().toBuffer();
    const changed = await thumbnail(
      await sharp(plain)
        .composite([{ input: over }])
        .jpeg()
        .toBuffer(),
    );
    await openFiles(page, { 'large/moor.jpg': plain!, 'small/moor.jpg': changed });
    await expect(rowOf(page, 'large/moor.jpg')).toContainText('by name only');
    await rowOf(page, 'large/moor.jpg').getByRole('button').first().click();
    await ways(page, 'large/moor.jpg').getByRole('button', { name: 'Confirm the pair' }).click();
    await expect(rowOf(page, 'large/moor.jpg')).toContainText('decided by hand');
    await ways(page, 'large/moor.jpg').getByRole('button', { name: 'Remove the decision' }).click();
    await expect(rowOf(page, 'large/moor.jpg')).toContainText('by name only');
    await ways(page, 'large/moor.jpg')
      .getByRole('button', { name: 'Create the thumbnail again from moor.jpg' })
      .click();
    await expect(rowOf(page, 'large/moor.jpg')).toContainText('matched');
  },
);

test(
  'how thumbnails are named is shown as rules; one is turned off, one is written',
  { tag: LONG },
  async ({ page }) => {
    const [a, b] = await Promise.all([3, 4].map((n) => photograph(n)));
    // The last letter says which is the small one: no usual practice.
    await openFiles(page, {
      'p/moor-k.jpg': await thumbnail(a!),
      'p/moor.jpg': a!,
      'thumbs/hill.jpg': await thumbnail(b!),
      'p/hill.jpg': b!,
    });
    await expect(rowOf(page, 'p/moor.jpg')).toContainText('names disagree');
    await page.getByRole('button', { name: 'Change naming rules' }).click();
    const dialog = page.getByRole('dialog', { name: 'Naming rules' });
    await dialog.getByRole('button', { name: 'Add a rule' }).click();
    await dialog.getByRole('textbox', { name: 'Thumbnail' }).fill('p/moor-k.jpg');
    await expect(dialog.getByText('needs “{name}” in it')).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'Save naming rules' })).toBeDisabled();
    await dialog.getByRole('textbox', { name: 'Thumbnail' }).fill('p/{name}-k.jpg');
    await dialog.getByRole('textbox', { name: 'Full-size' }).fill('p/{name}.jpg');
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Save naming rules' }).click();
    await expect(rowOf(page, 'p/moor.jpg')).toContainText('matched');
    await expect(rowOf(page, 'p/moor.jpg')).toContainText('name and content');
    await page.reload();
    await page.getByRole('button', { name: 'Change naming rules' }).click();
    await dialog.getByRole('checkbox', { name: /^thumbs\/\{name\}\.jpg/ }).uncheck();
    await dialog.getByRole('button', { name: 'Save naming rules' }).click();
    await expect(rowOf(page, 'p/hill.jpg')).toContainText('content only');
  },
);
