/**
 * Each viewer through the interface, on the demo and on an old page in another hand: wired, options and looks set by
 * eye, the written source looked at, rehearsed in both windows, exported, and rehearsed again from disk.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { isTextPath, type FileContent } from '../../../core/site/index.ts';
import { argumentName, REHEARSAL_WINDOWS, sightsOf, type KitLook, type KitOption } from '../../../core/wiring/index.ts';
import { VIEWERS } from '../../kits';
import { NAMES } from '../../wiring/faults.fixture';
import { rehearsePage } from '../../wiring/rehearsing';
import { violations } from '../axe';
import { expect, goTo, openFiles, openKites, openPage, test, unpacked } from '../fixtures';
import { kitButton, pictures, rehearse } from '../wiringSteps';

/** As pages were written around 2002: tables, capitals, no quotes, entities, lines that end in CR LF. */
const OLD_PAGE = [
  '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN">',
  '<HTML>',
  '<HEAD>',
  '<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=utf-8">',
  '<TITLE>Kites &amp; friends &ndash; Gr&uuml;&szlig;e</TITLE>',
  '<STYLE TYPE="text/css"><!--',
  'td { font-family: Verdana, Arial; text-align: center }',
  'img { border: 2px solid #336 } a:hover { color: red }',
  '--></STYLE>',
  '</HEAD>',
  '<BODY BGCOLOR=#ffffee TEXT=#222222>',
  '<H1 ALIGN=center>Kites &amp; friends</H1>',
  '<CENTER><TABLE BORDER=0 CELLPADDING=4>',
  '<TR>',
  ...NAMES.map(
    (name) =>
      `<TD><A HREF="large/${name}.jpg" TITLE='The ${name}'><IMG SRC="small/${name}.jpg" WIDTH=60 HEIGHT=40 ALT="Kites at the ${name}"></A><BR>The&nbsp;${name}</TD>`,
  ),
  '</TR>',
  '</TABLE></CENTER>',
  '<P>Written with a plain editor &copy; the author</P>',
  '</BODY>',
  '</HTML>',
  '',
].join('\r\n');

/** The same pictures as a list, for what shows one child after another. */
const OLD_LIST = OLD_PAGE.replace('<TABLE BORDER=0 CELLPADDING=4>\r\n<TR>', '<UL>')
  .replace('</TR>\r\n</TABLE>', '</UL>')
  .replace(/<(\/?)TD>/g, '<$1LI>');

/** The same pictures in two lists under two headings. */
const OLD_PARTS = OLD_LIST.replace('<CENTER><UL>', '<DIV>\r\n<DIV><H2>Outside</H2>\r\n<UL>')
  .replace(/(The&nbsp;mere<\/LI>)/, '$1\r\n</UL></DIV>\r\n<DIV><H2>Inside</H2>\r\n<UL>')
  .replace('</UL></CENTER>', '</UL></DIV>\r\n</DIV>');

/** Options whose values are the author’s to know: selectors, addresses, words for one link. */
const OF_THE_AUTHOR = new Set(['place', 'source', 'open', 'under', 'of', 'heading']);
/** And without its arrows a show that stands still has no way to its other pictures. */
const isToBeSet = ({ does }: { does: string }, { name, each }: KitOption): boolean =>
  !each && !OF_THE_AUTHOR.has(name) && !(does === 'show' && name === 'arrows');
const MOST_OPTIONS = 5;
const MOST_LOOKS = 2;

const options = (page: Page) => page.getByRole('region', { name: 'Options' });

async function wire(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, title).click();
  await expect(page.getByRole('region', { name: 'Difference' }).last()).toContainText('new file');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** A value that does not hold already. */
function numberFor({ min = 0, max = 100, step = 1, without }: KitOption): string {
  const other = Number(without) + step * 2;
  return String(other <= max ? other : min + step);
}

async function setOption(page: Page, option: KitOption): Promise<void> {
  const name = option.title ?? option.name;
  await expect(options(page).getByText(name, { exact: true }).first()).toBeVisible();
  if (option.type === 'switch') return options(page).getByRole('switch', { name, exact: true }).click();
  if (option.type === 'choice') {
    const value = option.values?.find((one) => one !== option.without && one !== '') ?? '';
    const group = options(page).getByRole('group', { name, exact: true });
    if ((await group.count()) > 0) return group.getByRole('button', { name: value, exact: true }).click();
    await options(page).getByRole('combobox', { name, exact: true }).click();
    return page.getByRole('option', { name: value, exact: true }).click();
  }
  const field = options(page).getByRole('textbox', { name, exact: true });
  await field.fill(option.type === 'number' ? numberFor(option) : 'Kites here');
  return field.press('Enter');
}

const LOOKS: Readonly<Record<KitLook['type'], string>> = {
  color: '#204060',
  length: '3rem',
  time: '0.35s',
  number: '2',
  image: 'none',
  shadow: '0 2px 8px #0006',
};

/** What holds pictures is made no smaller than they need. */
const lookValue = ({ property, type }: KitLook): string =>
  /-(?:height|column)$/.test(property) ? '24rem' : LOOKS[type];

async function setLook(page: Page, look: KitLook): Promise<void> {
  const field = options(page).getByRole('textbox', { name: look.title, exact: true });
  await field.fill(lookValue(look));
  await field.press('Enter');
}

/** That it is written, and where, stands under the field. */
const written = (page: Page, ...names: string[]) =>
  options(page)
    .getByRole('button', { name: new RegExp(`(?:^|[ {])(?:${names.join('|')})\\b.*show it$`) })
    .first();

function filesIn(folder: string): Map<string, FileContent> {
  const paths = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .map((one) => join(one.parentPath, one.name).slice(folder.length + 1));
  return new Map(
    paths.map((path) => {
      const bytes = readFileSync(join(folder, path));
      return [path, isTextPath(path) ? { kind: 'text', text: bytes.toString() } : binary(path, bytes.length)];
    }),
  );
}
const binary = (hash: string, bytes: number): FileContent => ({ kind: 'binary', hash, bytes });

test.beforeEach(({ expected }) => {
  expected.console.push(/./);
});

for (const { manifest } of VIEWERS)
  for (const place of ['the demo', 'an old page'] as const) {
    // The demo has no page in parts.
    if (manifest.marker.on === 'sections' && place === 'the demo') continue;
    test(`${manifest.title} on ${place}`, async ({ page }) => {
      test.setTimeout(600_000);
      const path = place === 'the demo' ? 'festival.html' : 'index.html';
      if (place === 'the demo') {
        await openKites(page, 'wiring');
        await openPage(page, path);
      } else {
        const parts = manifest.marker.on === 'sections' ? OLD_PARTS : OLD_PAGE;
        const html = manifest.children ? OLD_LIST : parts;
        await openFiles(page, { [path]: html, ...(await pictures()) });
        await goTo(page, 'wiring');
      }
      if (place !== 'the demo' || manifest.name !== 'lightbox') await wire(page, manifest.title);
      await page.getByRole('button', { name: 'Options' }).click();
      await expect(options(page)).toBeVisible();
      const picker = options(page).getByRole('combobox', { name: 'Viewer' });
      if ((await picker.count()) > 0) {
        await picker.click();
        await page.getByRole('option', { name: manifest.title, exact: true }).click();
      }
      await expect(options(page).getByRole('heading', { name: 'Behaviour' })).toBeVisible();
      const some = manifest.options.filter((one) => isToBeSet(manifest, one)).slice(0, MOST_OPTIONS);
      for (const option of some) {
        await setOption(page, option);
        await expect(written(page, manifest.prefix + option.name, argumentName(option.name))).toBeVisible();
      }
      const looks = manifest.look.slice(0, MOST_LOOKS);
      for (const look of looks) {
        await setLook(page, look);
        await expect(written(page, look.property)).toBeVisible();
      }
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Back to the scripts' }).click();
      await rehearse(page, 400_000);
      await expect(page.getByText(/^Rehearsed: \d+ strands as expected(?!,)/)).toBeVisible();

      const isSaid = (one: string, name: string) =>
        one.includes(manifest.prefix + name) || new RegExp(`start\\w+\\([^)]*\\b${argumentName(name)}:`).test(one);
      const folder = await unpacked(page);
      const files = filesIn(folder);
      const text = readFileSync(join(folder, path), 'utf8');
      for (const { name } of some)
        expect(
          [...files.values()].some((file) => file.kind === 'text' && isSaid(file.text, name)),
          name,
        ).toBe(true);
      const styles = [...files.values()].map((file) => (file.kind === 'text' ? file.text : '')).join('\n');
      for (const look of looks) expect(styles).toContain(`${look.property}: ${lookValue(look)}`);
      if (place === 'an old page') {
        expect(text.replaceAll('\r\n', ''), 'lines end as the author’s do').not.toContain('\n');
        expect(text).toContain('Kites &amp; friends &ndash; Gr&uuml;&szlig;e');
        expect(text).toContain('<BODY BGCOLOR=#ffffee TEXT=#222222>');
      }

      const disk = await page.context().newPage();
      for (const { name: window, width, height } of REHEARSAL_WINDOWS) {
        await disk.setViewportSize({ width, height });
        for (const one of await rehearsePage(disk, files, path, [0, 1])) {
          expect(one.disagreements, `${one.name} in a ${window} window`).toEqual([]);
          const found = sightsOf({ window, prediction: one.prediction, seen: one.seen });
          expect(found.filter(({ severity }) => severity === 'error')).toEqual([]);
        }
      }
      await disk.close();
    });
  }
