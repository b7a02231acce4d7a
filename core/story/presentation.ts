/** How a group of pictures is shown among the words of a page, and how its class says so. */

export const PRESENTATIONS = ['grid', 'large', 'still', 'slideshow', 'left', 'right', 'wide'] as const;
export type Presentation = (typeof PRESENTATIONS)[number];

/** The class of every group, by which it is found again. */
export const GROUP = 'pictures';

/** Columns that a grid may have. */
export const MOST_COLUMNS = 6;

export interface Shown {
  as: Presentation;
  /** Of a grid; 1 for what stands below one another. */
  columns: number;
}

const NAMES: Readonly<Record<Exclude<Presentation, 'grid'>, string>> = {
  large: 'large',
  still: 'still',
  slideshow: 'slides',
  left: 'left',
  right: 'right',
  wide: 'wide',
};

/** The class beside {@link GROUP}. */
export const nameOf = ({ as, columns }: Shown): string => (as === 'grid' ? `of-${columns}` : NAMES[as]);

/** What a class says; null where it says nothing of a group. */
export function shownBy(className: string): Shown | null {
  const names = className.split(/\s+/);
  if (!names.includes(GROUP)) return null;
  const columns = names.flatMap((name) => /^of-([1-6])$/.exec(name)?.[1] ?? []).map(Number)[0];
  if (columns !== undefined) return { as: 'grid', columns };
  const as = PRESENTATIONS.find((one) => one !== 'grid' && names.includes(NAMES[one]));
  return as ? { as, columns: 1 } : null;
}

/** Every name that says a presentation, for whoever takes them off. */
export const ALL_NAMES: readonly string[] = [
  ...Object.values(NAMES),
  ...Array.from({ length: MOST_COLUMNS }, (_, n) => `of-${n + 1}`),
];

/** Pictures in full size, or their thumbnails. */
export const isLarge = ({ as }: Pick<Shown, 'as'>): boolean => !['grid', 'left', 'right'].includes(as);

/** A click opens the picture. */
export const opens = ({ as }: Pick<Shown, 'as'>): boolean => as !== 'still' && as !== 'slideshow';
