/** What tests of the wiring station share: pictures, and a page wired and rehearsed as a person does it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { kitNamed, type KITS } from '../kits';
import { NAMES, PARTS, wiredPage } from '../wiring/faults.fixture';
import { violations } from './axe';
import { expect, goTo, openFiles, unpacked } from './fixtures';

/** Pictures of their own colours, larger ones in other shapes. */
export async function pictures(): Promise<Record<string, Buffer>> {
  const made = NAMES.flatMap((name, n) =>
    [
      ['small', 60, 40],
      ['large', 900, 600 + n * 40],
    ].map(
      async ([folder, width, height]) =>
        [
          `${folder}/${name}.jpg`,
          await sharp({
            create: {
              width: Number(width),
              height: Number(height),
              channels: 3,
              background: { r: 60 + n * 40, g: 120, b: 200 - n * 40 },
            },
          })
            .jpeg()
            .toBuffer(),
        ] as const,
    ),
  );
  return Object.fromEntries(await Promise.all(made));
}

export const kitButton = (page: Page, title: string) =>
  page.getByRole('group', { name: 'Viewer' }).getByRole('button', { name: new RegExp(`^${title}`) });

export async function rehearse(page: Page, timeout = 120_000): Promise<void> {
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(page.getByRole('dialog').getByRole('status')).toHaveText(/as expected/, { timeout });
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
}

export async function wireWith(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, title).click();
  await expect(page.getByRole('region', { name: 'Difference' }).last()).toContainText('new file');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

type Manifest = (typeof KITS)[number]['manifest'];

/** Wires a page with a kit, rehearses it, looks at the files that came, and takes all of it back. */
export async function wiresAndRehearses(page: Page, manifest: Manifest): Promise<void> {
  await openFiles(page, {
    'index.html': manifest.marker.on === 'sections' ? PARTS : wiredPage('none'),
    ...(await pictures()),
  });
  await goTo(page, 'wiring');
  await wireWith(page, manifest.title);
  await rehearse(page);
  await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();
  const opens = manifest.does === 'overlay' || manifest.does === 'stage';
  await expect(page.getByRole('list', { name: 'Strands' }).getByText(/^Desktop: confirmed/)).toHaveCount(4);
  if (opens)
    await expect(
      page.getByRole('list', { name: 'Strands' }).getByText(/^Desktop: confirmed, \d+ × \d+, \d+ % of the window/),
    ).toHaveCount(4);
  expect(await violations(page)).toEqual([]);
  const folder = await unpacked(page);
  for (const file of manifest.files)
    expect(readFileSync(join(folder, manifest.folder, file.name), 'utf8')).toBe(
      kitNamed(manifest.name).files[file.name],
    );
  await page.getByRole('button', { name: /^Undo: Add the/ }).click();
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeVisible();
  expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(
    manifest.marker.on === 'sections' ? PARTS : wiredPage('none'),
  );
}
