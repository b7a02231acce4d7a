/** axe-core, put into a page by the test itself: the application's own policy lets no other script in. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

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
      },
    );
    return result.violations.flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary}`),
    );
  }, rules);
}
