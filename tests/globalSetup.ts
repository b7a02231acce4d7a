/** What all browser tests share is made before the first of them. */
import type { FullConfig } from '@playwright/test';
import { launch } from './browser';
import { makeStore } from './setOut';
import { makeTestSite } from './site/make';

export default async function globalSetup({ projects: [project] }: FullConfig): Promise<void> {
  const baseURL = project?.use.baseURL ?? '';
  await makeTestSite();
  const browser = await launch();
  await makeStore('kites', browser, baseURL);
  await makeStore('demo', browser, baseURL);
  await browser.close();
}
