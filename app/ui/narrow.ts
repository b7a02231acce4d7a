/** Windows that are too narrow for everything side by side; widths in CSS px. */

/** The strand folds to its joints along the foot. */
export const NARROW = '@media (max-width: 1199.95px)';

/** What stood side by side stands one below the other. */
export const STACKED = '@media (max-width: 799.95px)';

/** A wide column beside a narrow one of so many CSS px; one below the other where they would not fit. */
export const besideColumn = (width: number) =>
  ({
    display: 'grid',
    gridTemplateColumns: `minmax(0, 1fr) ${width}px`,
    gap: 1.5,
    alignItems: 'start',
    [STACKED]: { gridTemplateColumns: 'minmax(0, 1fr)' },
  }) as const;
