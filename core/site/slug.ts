/** Words as a part of an address: small letters, digits and hyphens; empty where nothing of them is left. */
export const slugOf = (words: string): string =>
  words
    .normalize('NFKD')
    .replace(/\p{Mn}+/gu, '')
    .toLowerCase()
    .replace(/[^a-z\d]+/g, '-')
    .replace(/^-+|-+$/g, '');
