/** Ways in which a visitor may come to see a page: one entry for each. */
import type { ToProbe } from '~protocol/probe.ts';
import type { Manner } from '~protocol/worker.ts';

export interface PageWay {
  id: string;
  says: string;
  /** What to look for. */
  hint: string;
  /** Of the window, CSS px. */
  width: number;
  scripts: boolean;
  /** Null for a page that is answered as usual. */
  manner: Manner | null;
  /** What the page is told once it is there. */
  as: Extract<ToProbe, { type: 'as' }>['as'] | null;
}

/** Widths of windows: a desktop, a phone (common practice, no source); CSS px. */
export const DESKTOP = 1280;
const PHONE = 390;
/** The least that a page has to do with without scrolling sideways (WCAG 2.2, 1.4.10 Reflow). */
const LEAST = 320;
/** A4 without margins of 10 mm, at 96 CSS px to the inch. */
const PAPER = Math.round(((210 - 20) / 25.4) * 96);

const USUAL = { width: DESKTOP, scripts: true, manner: null, as: null };

export const WAYS: readonly PageWay[] = [
  {
    ...USUAL,
    id: 'phone',
    says: 'Phone',
    hint: 'Nothing stands out at the side, and links are large enough for a thumb.',
    width: PHONE,
  },
  {
    ...USUAL,
    id: 'narrow',
    says: '320 px',
    hint: 'A desktop at 400 % shows as much as this. Nothing may need scrolling sideways.',
    width: LEAST,
  },
  {
    ...USUAL,
    id: 'no-scripts',
    says: 'Without scripts',
    hint: 'A click on a thumbnail has to lead to its picture; what only a script shows is missing here.',
    scripts: false,
  },
  {
    ...USUAL,
    id: 'no-pictures',
    says: 'Pictures off',
    hint: 'Alt texts stand in their place: does the page still say what it shows?',
    manner: { line: null, pictures: 'never', disk: false },
  },
  {
    ...USUAL,
    id: 'disk',
    says: 'From disk',
    hint: 'As opened by a double click: modules do not run, scripts can ask for no file, and / is the root of the disk.',
    manner: { line: null, pictures: 'come', disk: true },
  },
  {
    ...USUAL,
    id: 'print',
    says: 'Printed',
    hint: 'The rules for print, as wide as A4. Page breaks are not shown, and a browser leaves out backgrounds unless it is told to print them.',
    width: PAPER,
    as: 'print',
  },
  {
    ...USUAL,
    id: 'right-to-left',
    says: 'Right to left',
    hint: 'As for Arabic or Hebrew: what is placed by left and right stands out.',
    as: 'right to left',
  },
];
