/** What visitors come back to: a filter’s choice in the address, a feed’s place; and what glides on the way. */
import { exported, item, items, SHOTS } from '../../viewerPages';
import { expect, test } from '../fixtures';

const tagged = SHOTS.map((_, n) =>
  item(n, { own: ` data-sieve-tags="${n % 2 === 0 ? 'meadow, day' : 'loft, day'}"` }),
).join('\n');

test('a filter’s choice stands in the address, and an address chooses', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const { address } = await exported(
    ['filter'],
    `<ul data-sieve data-sieve-keep data-sieve-many data-sieve-match="all">${tagged}</ul>`,
  );
  await page.goto(address);
  const seen = page.locator('[data-sieve-tags]:visible');
  await page.getByRole('button', { name: 'day' }).click();
  await expect(seen).toHaveCount(5);
  await page.getByRole('button', { name: 'loft' }).click();
  await expect(seen).toHaveCount(2);
  expect(page.url()).toBe(`${address}#tags=day,loft`);
  await page.goto('about:blank');
  await page.goto(`${address}#tags=meadow`);
  await expect(seen).toHaveCount(3);
  await expect(page.getByRole('button', { name: 'meadow' })).toHaveAttribute('aria-pressed', 'true');
  // What is no tag of this page, or cannot be read, chooses nothing.
  for (const end of ['#tags=wings', '#tags=%']) {
    await page.goto('about:blank');
    await page.goto(address + end);
    await expect(seen).toHaveCount(5);
  }
});

test('pictures glide to their new places where motion is welcome, and take no click meanwhile', async ({ page }) => {
  const { address } = await exported(['filter'], `<ul data-sieve>${tagged}</ul>`);
  await page.goto(address);
  await page.evaluate(() => {
    const seen = window as unknown as { glides: number };
    seen.glides = 0;
    const start = document.startViewTransition.bind(document);
    document.startViewTransition = (update) => {
      seen.glides++;
      return start(update);
    };
  });
  await page.getByRole('button', { name: 'loft' }).click();
  await page.getByRole('button', { name: 'meadow' }).click();
  await expect(page.locator('[data-sieve-tags]:visible')).toHaveCount(3);
  expect(await page.evaluate(() => (window as unknown as { glides: number }).glides)).toBe(2);
  await expect
    .poll(() =>
      page
        .locator('[data-sieve-tags]')
        .evaluateAll((all) => all.filter((one) => (one as HTMLElement).style.viewTransitionName).length),
    )
    .toBe(0);
});

test('who comes back to a feed finds as many pictures as were there', async ({ page }) => {
  const all = Array.from(
    { length: 12 },
    (_, n) => `<article style="height: 300px">${item(n % 5, { tag: 'p' })}</article>`,
  ).join('');
  const { address } = await exported(['feed'], `<div data-more data-more-step="3" data-more-by="button">${all}</div>`, {
    'away.html': '<!DOCTYPE html><title>Away</title>',
  });
  await page.goto(address);
  const seen = page.locator('article:visible');
  await page.getByRole('button', { name: 'More pictures' }).click();
  await page.getByRole('button', { name: 'More pictures' }).click();
  await expect(seen).toHaveCount(9);
  await page.evaluate(() => scrollTo(0, 1500));
  await page.goto(address.replace('index', 'away'));
  await page.goBack();
  await expect(seen).toHaveCount(9);
  await expect.poll(() => page.evaluate(() => scrollY)).toBe(1500);
});

test('a slideshow leaves the choice among files to the browser where the linked one is among them', async ({
  page,
}) => {
  const offered = `<li><a href="large/mere.jpg"><img src="small/mere.jpg" srcset="small/mere.jpg 90w, large/mere.jpg 1200w" sizes="90px" alt="The mere"></a></li>`;
  const { address } = await exported(['slideshow'], `<ul data-slides>${offered}${items()}</ul>`);
  await page.goto(address);
  const image = page.getByRole('img', { name: 'The mere' });
  await expect
    .poll(() => image.evaluate((one: HTMLImageElement) => one.currentSrc.split('/').slice(-2).join('/')))
    .toBe('large/mere.jpg');
  expect(await image.getAttribute('srcset')).toContain('small/mere.jpg 90w');
});

test('the focus stays in a slideshow whose slide goes, by keys and while it plays', async ({ page }) => {
  await page.clock.install();
  const { address } = await exported(
    ['slideshow'],
    `<ul data-slides data-slides-play data-slides-interval="1" data-slides-effect="cut">${items()}</ul>`,
  );
  await page.goto(address);
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('href'));
  await page.locator('.slides-set a:visible').focus();
  await page.keyboard.press('ArrowRight');
  expect(await focused()).toBe('large/loft.jpg');
  // A click on what is shown leaves the focus there too.
  await page.evaluate(() =>
    document.querySelector<HTMLElement>('.slides-set > :not([data-slides-away]) a')?.focus({ focusVisible: false }),
  );
  await page.mouse.move(2, 2);
  await page.clock.runFor(3500);
  expect(await focused()).toMatch(/^large\//);
});
