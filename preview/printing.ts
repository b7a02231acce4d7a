/** A page on the screen with the rules that count on paper. */

/** What counts on paper counts, what counts on a screen does not; a query that is no query then holds never. */
export const onPaper = (media: string): string =>
  media.replace(/\bprint\b/gi, 'all').replace(/\b(?:only\s+)?screen\b/gi, 'not all');

export function asPrinted(): void {
  for (const sheet of document.styleSheets) {
    setMedia(sheet.media);
    try {
      inRules(sheet.cssRules);
    } catch {
      // Of another host: it cannot be read, and stays as it is.
    }
  }
}

function setMedia(media: MediaList): void {
  const { mediaText } = media;
  const printed = onPaper(mediaText);
  if (printed !== mediaText) media.mediaText = printed;
}

function inRules(rules: CSSRuleList): void {
  for (const rule of rules) {
    if (rule instanceof CSSMediaRule) setMedia(rule.media);
    if (rule instanceof CSSImportRule) {
      setMedia(rule.media);
      if (rule.styleSheet) inRules(rule.styleSheet.cssRules);
    }
    if (rule instanceof CSSGroupingRule) inRules(rule.cssRules);
  }
}
