/** A hostile page in a site that was brought in tries to get at what is not its own. */
import { bringIn, expect, folderWith, goTo, openKites, photograph, test } from './fixtures';

const ATTACK = `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>x</title></head><body>
<a href="a.jpg"><img src="a.jpg" alt="a"></a>
<script>
(async () => {
  const got = {};
  const attempt = async (name, act) => { try { got[name] = String(await act()); } catch (error) { got[name] = 'refused: ' + error.name; } };
  await attempt('parent document', () => parent.document.body.innerHTML.length);
  await attempt('parent store', () => parent.indexedDB.open('heathmoor'));
  await attempt('top location', () => top.location.href);
  await attempt('own databases', async () => (await indexedDB.databases()).map((one) => one.name).join() || 'none');
  await attempt('local storage', () => JSON.stringify(localStorage));
  await attempt('application page', async () => (await fetch(location.origin.replace(/:(\\d+)$/, (_, port) => ':' + (port - 1)) + '/')).text());
  await attempt('other site', async () => { const answer = await fetch('/s/' + OTHER + '/index.html'); return answer.status + ' ' + (await answer.text()).length; });
  await attempt('kept files', async () => {
    const texts = [];
    for (const name of await caches.keys()) for (const request of await (await caches.open(name)).keys()) texts.push(await (await caches.match(request)).text());
    return texts.some((text) => text.includes('Tarrowby')) ? 'read the other site' : 'nothing readable';
  });
  await attempt('own worker', () => navigator.serviceWorker.register('/s/' + location.pathname.split('/')[2] + '/evil.js'));
  await attempt('forged bridge', async () => {
    const frame = document.createElement('iframe');
    frame.src = '/bridge.html';
    document.body.append(frame);
    await new Promise((done) => frame.addEventListener('load', done));
    const heard = [];
    frame.contentWindow.navigator.serviceWorker.addEventListener('message', (event) => heard.push(JSON.stringify(event.data)));
    await new Promise((done) => setTimeout(done, 1500));
    return heard.some((one) => one.includes(OTHER)) ? 'heard the token' : 'heard no token';
  });
  document.title = JSON.stringify(got);
})();
</script></body></html>`;

test('a hostile page reads neither the store, nor the application, nor another site', async ({ page, expected }) => {
  test.setTimeout(90_000);
  expected.console.push(/./);
  // The other site has been shown, so that its files have passed through the preview origin.
  await openKites(page, 'proof');
  await expect(page.frameLocator('iframe[title$="1280 px"]').locator('h1')).toHaveText('Festival pictures');
  const address = await page.locator('iframe[title$="1280 px"]').getAttribute('src');
  const token = /\/s\/([^/]+)\//.exec(address ?? '')?.[1] ?? '';
  expect(token.length).toBeGreaterThan(21);

  await page.goto('/');
  // The page is even told the other site's token's first half; the whole of it cannot be guessed.
  const guess = token.slice(0, 12) + 'A'.repeat(token.length - 12);
  await bringIn(
    page,
    folderWith({
      'index.html': ATTACK.replaceAll('OTHER', `'${guess}'`),
      'a.jpg': await photograph(1),
      'evil.js': 'self.addEventListener("fetch", () => {});',
    }),
  );
  await goTo(page, 'markup');
  const frame = page.frameLocator('iframe[title^="Live page"]');
  await expect
    .poll(
      () =>
        frame
          .locator('title')
          .textContent({ timeout: 1000 })
          .catch(() => ''),
      { timeout: 90_000 },
    )
    .toContain('forged bridge');
  const got = JSON.parse((await frame.locator('title').textContent()) ?? '{}') as Record<string, string>;
  console.log('what the hostile page got:', got);
  expect(got['parent document']).toMatch(/^refused/);
  expect(got['parent store']).toMatch(/^refused/);
  expect(got['top location']).toMatch(/^refused/);
  expect(got['own databases']).toBe('none');
  expect(got['local storage']).toBe('{}');
  expect(got['application page']).toMatch(/^refused/);
  expect(got['other site']).toMatch(/^503 /);
  expect(got['kept files']).toBe('nothing readable');
  expect(got['own worker']).toMatch(/^refused/);
  expect(got['forged bridge']).toMatch(/^refused|^heard no token$/);
});

test('the server takes no request from another origin', async ({ request }) => {
  const answer = await request.post('/', { headers: { Origin: 'http://localhost:1' }, data: {} });
  expect(answer.status()).toBe(403);
});

test('a script that never ends takes down its page and nothing else', async ({ page, expected }) => {
  test.setTimeout(90_000);
  expected.console.push(/./);
  await page.goto('/');
  await expect(page.getByText('Tarrowby Kite Circle')).toBeVisible({ timeout: 90_000 });
  await bringIn(
    page,
    folderWith({
      'index.html':
        '<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>x</title></head><body><h1>Spinning</h1><script>for (;;) {}</script></body></html>',
      'a.jpg': await photograph(1),
    }),
  );
  await goTo(page, 'markup');
  await expect(page.getByText('does not come to an end')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Load it without scripts' }).click();
  await expect(page.frameLocator('iframe[title^="Live page"]').locator('h1')).toHaveText('Spinning', {
    timeout: 90_000,
  });
});
