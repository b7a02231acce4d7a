/** What tests of pictures share: the recipe, and the close look. */
import type { Locator, Page } from '@playwright/test';
import { expect, rowOf } from './fixtures';

export const recipe = (page: Page) => page.getByRole('dialog', { name: 'Image sizes' });

export async function openRecipe(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Change image sizes' }).click();
  await expect(recipe(page)).toBeVisible();
}

export async function lookAt(page: Page, full: string): Promise<Locator> {
  await rowOf(page, full).getByRole('button').first().click();
  await rowOf(page, full).getByRole('button', { name: 'Close look' }).click();
  const dialog = page.getByRole('dialog', { name: /^Close look at/ });
  await expect(dialog).toBeVisible();
  return dialog;
}
