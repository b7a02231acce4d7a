/**
 * What is read out of odd stylesheets, and what a setting of them does, against Chromium at three widths: nothing is
 * read wrongly without a word, and nothing is called done that has no effect.
 */
import { expect, test, type Page } from '@playwright/test';
import { planFor } from '../../core/plans/index.ts';
import { applyChange, type SiteFiles } from '../../core/site/index.ts';
import { layoutView, type SettingView } from '../../core/view/index.ts';
import { ODD_SHEETS, type OddSheet } from '../oddSheets.fixture';
import { read, siteOf, textAt } from '../unit/sites.ts';
import { LONG } from './fixtures';

const WIDTHS = [1280, 768, 390];
const GALLERY = { kind: 'set-style', page: 'index.html', gallery: 0 } as const;
const ORIGIN = 'http://sheets.example';

const filesOf = ({ page, css, files }: OddSheet): SiteFiles =>
  siteOf({ 'index.html': page, 'kites.css': css, ...files });

/** The files as a host gives them; imports are followed by the browser itself. */
async function show(page: Page, files: SiteFiles, width: number): Promise<void> {
  await page.unroute(`${ORIGIN}/**`);
  await page.route(`${ORIGIN}/**`, (route) => {
    const path = new URL(route.request().url()).pathname.slice(1);
    const content = files.get(path);
    return content?.kind === 'text'
      ? route.fulfill({ contentType: path.endsWith('.css') ? 'text/css' : 'text/html', body: textAt(files, path) })
      : route.fulfill({ status: 404 });
  });
  await page.setViewportSize({ width, height: 700 });
  await page.goto(`${ORIGIN}/index.html`);
}

interface Shown {
  columns: number;
  /** Of the narrowest item; CSS px. */
  width: number;
  across: number | null;
}

/** A grid’s columns are its tracks; of anything else, how many items stand in the first row. */
const shown = (page: Page): Promise<Shown> =>
  page.evaluate(() => {
    const container = document.querySelector('.g')!;
    const style = getComputedStyle(container);
    const rooms = [...container.children].map((item) => item.getBoundingClientRect());
    const row = rooms.filter(({ top }) => Math.abs(top - rooms[0]!.top) < 2);
    const tracks = style.display.includes('grid') ? style.gridTemplateColumns.split(/\s+(?![^(]*\))/).length : null;
    const told = Number(style.columnCount);
    const lefts = new Set(rooms.map(({ left }) => Math.round(left)));
    const ofText = told > 0 ? Math.min(told, lefts.size) : row.length;
    return {
      columns: tracks ?? ofText,
      width: Math.min(...rooms.map(({ width }) => width)),
      across: row.length > 1 ? row[1]!.left - row[0]!.right : null,
    };
  });

const settingIn = (files: SiteFiles, id: string, at: number | null): SettingView | undefined =>
  layoutView(read(files), 'index.html', 0, at)?.settings.find((one) => one.id === id);

/** Null where what is read is so, or is said not to be read. */
function wrongReading(setting: SettingView | undefined, { columns, width }: Shown): string | null {
  if (!setting) return 'no setting';
  const { value, unread, place } = setting;
  if (unread !== null) return null;
  // Nothing is declared, and nothing is said of columns.
  if (value === null) return place === null ? null : `nothing is read where ${columns} are shown`;
  if (/^\d+$/.test(value)) return Number(value) === columns ? null : `${value} are read, ${columns} shown`;
  const least = /^([\d.]+)px$/.exec(value);
  return !least || width >= Number(least[1]) - 1 ? null : `at least ${value} is read, ${width} shown`;
}

for (const [n, sheet] of ODD_SHEETS.entries())
  test(
    `${sheet.name}: as Chromium has it, or said to be unread`,
    { tag: n % 5 === 0 ? [] : LONG },
    async ({ page }) => {
      const files = filesOf(sheet);
      for (const width of WIDTHS) {
        await show(page, files, width);
        const setting = settingIn(files, 'columns', width === 1280 ? null : width);
        expect.soft(wrongReading(setting, await shown(page)), `read at ${width}`).toBeNull();
      }
      // Written as a grid, nothing looks otherwise.
      const grid = planFor(read(files), { ...GALLERY, setting: 'grid', value: 'grid', at: null });
      const gridded = grid.ok ? applyChange(files, grid.change) : null;
      for (const width of gridded ? WIDTHS : []) {
        await show(page, files, width);
        const before = await shown(page);
        await show(page, gridded?.ok ? gridded.files : files, width);
        expect.soft((await shown(page)).columns, `as a grid at ${width}`).toBe(before.columns);
      }
      for (const [id, value, at] of [
        ['columns', '2', null],
        ['columns', '5', null],
        ['columns', '2', 600],
        ['column-gap', '24px', null],
      ] as const) {
        const planned = planFor(read(files), { ...GALLERY, setting: id, value, at });
        if (!planned.ok) {
          expect.soft(planned.reason.length, `${id} ${value}`).toBeGreaterThan(20);
          continue;
        }
        const changed = applyChange(files, planned.change);
        if (!changed.ok) throw new Error(changed.reason);
        for (const width of at === null ? [1280] : [390]) {
          await show(page, changed.files, width);
          const now = await shown(page);
          if (id === 'columns') expect.soft(now.columns, `${id} ${value} at ${width}`).toBe(Number(value));
          // White space between inline blocks comes on top.
          else if (now.across !== null) {
            const over = now.across - Number.parseFloat(value);
            expect.soft(over > -1 && over < (sheet.name.includes('inline') ? 8 : 1), `${id}: ${now.across}`).toBe(true);
          }
        }
      }
    },
  );
