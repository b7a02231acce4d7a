/** axe-core, put into a page by the test itself: the application's own policy lets no other script in. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { framesOn } from './fixtures';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What axe-core finds against WCAG 2.0 to 2.2, A and AA, and its best practices; frames of the preview are the site's
 * own. `rules` are the only ones that are run, by their names.
 */
export async function violations(page: Page, rules?: readonly string[]): Promise<string[]> {
  // What is still fading in has not its own colours yet.
  await page.evaluate(() =>
    Promise.all(
      document
        .getAnimations()
        .filter((one) => one.effect?.getComputedTiming().endTime !== Infinity)
        .map((one) => one.finished.catch(() => undefined)),
    ),
  );
  await page.evaluate(SOURCE);
  return page.evaluate(async (only) => {
    const { axe } = window as unknown as {
      axe: {
        run: (
          context: object,
          options: object,
        ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>;
      };
    };
    const result = await axe.run(
      { exclude: ['iframe'] },
      {
        iframes: false,
        runOnly: only
          ? { type: 'rule', values: only }
          : ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
        // axe-core leaves the size of targets (WCAG 2.5.8) out unless it is asked for.
        ...(only ? {} : { rules: { 'target-size': { enabled: true } } }),
      },
    );
    return result.violations.flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary}`),
    );
  }, rules);
}

/** By day before all rules; by night, where only colours are others, before those about colours. */
export async function violationsByDayAndNight(page: Page): Promise<string[]> {
  const byDay = await violations(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await framesOn(page);
  const byNight = await violations(page, ['color-contrast']);
  await page.emulateMedia({ colorScheme: 'light' });
  await framesOn(page);
  return [...byDay, ...byNight.map((one) => `by night: ${one}`)];
}
