/** Every setting. A new one is an entry of one of these files, or a file of its own and a line here. */
import { ALIGNMENT } from './alignment.ts';
import { CAPTIONS } from './captions.ts';
import { COLUMNS } from './columns.ts';
import { GRID } from './grid.ts';
import { PAGE } from './page.ts';
import { PICTURES } from './pictures.ts';
import type { Setting } from './setting.ts';
import { STATE_SETTINGS } from './states.ts';

export * from './setting.ts';

export const SETTINGS: readonly Setting[] = [
  ...COLUMNS,
  GRID,
  ...ALIGNMENT,
  ...PICTURES,
  ...CAPTIONS,
  ...PAGE,
  ...STATE_SETTINGS,
];
