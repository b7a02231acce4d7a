/** A gallery that a script draws from a list: shown above the source, and gone on with in the script. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, goTo, openFiles, photograph, test, unpacked } from './fixtures';

const SCRIPT =
  "var pics = [\n  'a.jpg',\n  'b.jpg'\n];\nfor (var i = 0; i < pics.length; i++) {\n  var img = document.createElement('img');\n  img.src = pics[i];\n  img.alt = '';\n  document.getElementById('g').appendChild(img);\n}\n";
const PAGE =
  '<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title></head>\n<body>\n<h1>Kites</h1>\n<div id="g"></div>\n<script src="kites.js"></script>\n</body>\n</html>\n';

test('pairs are added to the list that a script draws, and the live page draws them', async ({ page }) => {
  const names = ['a', 'b', 'c'];
  const pictures = await Promise.all(
    names.flatMap((name, n) => [
      photograph(n).then((file) => [`${name}.jpg`, file] as const),
      photograph(n, 300, 200).then((file) => [`thumbs/${name}.jpg`, file] as const),
    ]),
  );
  await openFiles(page, { 'index.html': PAGE, 'kites.js': SCRIPT, ...Object.fromEntries(pictures) });
  await goTo(page, 'markup');
  const list = page.getByRole('region', { name: 'List of pictures in kites.js' });
  await expect(list).toContainText('2 pictures, drawn by a script from “pics”: kites.js, line 1');
  const live = page.frameLocator('iframe[title="Live page index.html"]').locator('#g img');
  await expect(live).toHaveCount(2);
  await list.getByRole('button', { name: 'Add 1 pair to it' }).click();
  await expect(live).toHaveCount(3);
  const written = readFileSync(join(await unpacked(page), 'kites.js'), 'utf8');
  expect(written).toBe(SCRIPT.replace("'b.jpg'", "'b.jpg',\n  'c.jpg'"));
});
