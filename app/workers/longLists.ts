/** Lists of a site's view that grow with the site, and so cross from the worker in pieces. */
export const LONG_LISTS = ['strands', 'pairs', 'loose', 'parcel', 'files', 'missing', 'due', 'words', 'companions'] as const;
export type LongList = (typeof LONG_LISTS)[number];
