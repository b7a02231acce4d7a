/** Steps as a user takes them: each press, filled field, shortcut and chosen file or folder counts one. */
import type { Locator, Page } from '@playwright/test';

export class Steps {
  readonly #page: Page;
  /** What was done, in order. */
  readonly taken: string[] = [];

  constructor(page: Page) {
    this.#page = page;
  }

  get count(): number {
    return this.taken.length;
  }

  async press(where: Locator, options: Parameters<Locator['click']>[0] = {}): Promise<void> {
    this.taken.push(`press ${String(where)}`);
    await where.click(options);
  }

  async fill(where: Locator, text: string): Promise<void> {
    this.taken.push(`fill ${String(where)}`);
    await where.fill(text);
  }

  async key(keys: string): Promise<void> {
    this.taken.push(`key ${keys}`);
    await this.#page.keyboard.press(keys);
  }

  /** One choice in the system's own dialog, of files or of a folder. */
  async choose(where: Locator, files: string | string[]): Promise<void> {
    this.taken.push('choose files');
    await where.setInputFiles(files);
  }
}
