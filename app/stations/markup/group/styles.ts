/** A part of the panel. */
export const SIDE = { p: 1.75, minWidth: 0, display: 'grid', gap: 1.25, alignContent: 'start' } as const;
