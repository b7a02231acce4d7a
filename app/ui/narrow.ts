/** Windows that are too narrow for everything side by side; widths in CSS px. */

/** The strand folds to its joints along the foot. */
export const NARROW = '@media (max-width: 1199.95px)';

/** What stood side by side stands one below the other. */
export const STACKED = '@media (max-width: 799.95px)';
