/** What all browser tests share is made before the first of them. */
import type { FullConfig } from '@playwright/test';
import { launch } from './browser';
import { makeDemoStore } from './demoStore';

export default async function globalSetup({ projects: [project] }: FullConfig): Promise<void> {
  const browser = await launch();
  await makeDemoStore(browser, project?.use.baseURL ?? '');
  await browser.close();
}
