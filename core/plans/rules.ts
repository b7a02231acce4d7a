/** The rules by which words of items come from elsewhere. */

/** Where captions and titles come from that a pattern asks for and an item does not have. */
export const CAPTION_SOURCES = ['none', 'title', 'alt', 'picture'] as const;
export type CaptionSource = (typeof CAPTION_SOURCES)[number];

/** Slots that can be filled for many items at once. */
export const FILLABLE = ['alt', 'title', 'caption'] as const;
