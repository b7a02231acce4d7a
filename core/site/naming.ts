/** Names of files by a pattern: what people write once instead of renaming a hundred pictures by hand. */
import { refuse, type Result } from './result.ts';

interface NameParts {
  /** The bare name that the file has now. */
  name: string;
  /** Place in the list, from 1. */
  number: number;
  /** ISO date and time; null where nobody knows. */
  takenAt: string | null;
}

/** What may stand in a pattern, with what it gives. */
export const NAME_TOKENS: readonly { token: string; says: string }[] = [
  { token: '{name}', says: 'the name it has' },
  { token: '{number}', says: 'its place in the list: 1, 2, 3' },
  { token: '{number:3}', says: 'the same with leading zeros: 001' },
  { token: '{date}', says: 'the day it was taken: 2026-06-14' },
];

type Named = Result<{ name: string }>;

/**
 * Lower case, no accents, hyphens for spaces: names that every host and every address takes (common practice, no
 * source). In other scripts than Latin a mark makes another letter, so there it stays.
 */
export function tidyName(name: string): string {
  return name
    .normalize('NFD')
    .replace(/(\p{Script=Latin})\p{Mn}+/gu, '$1')
    .normalize('NFC')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[\s+&,;]+/g, '-')
    .replace(/[^\p{L}\p{N}._-]/gu, '')
    .replace(/-{2,}/g, '-')
    .replace(/^[-.]+|[-.]+$/g, '');
}

/** The bare name that a pattern gives, without folder and extension. */
export function nameByPattern(pattern: string, { name, number, takenAt }: NameParts): Named {
  const unknown = /\{(?!name\}|number(?::\d)?\}|date\})[^}]*\}?/.exec(pattern);
  if (unknown)
    return {
      ok: false,
      reason: `“${unknown[0]}” is not known; use ${NAME_TOKENS.map(({ token }) => token).join(', ')}.`,
    };
  if (pattern.includes('{date}') && takenAt === null) return refuse(`${name} does not say when it was taken.`);
  const made = pattern
    .replaceAll('{name}', () => name)
    .replace(/\{number(?::(\d))?\}/g, (_all, digits: string | undefined) =>
      String(number).padStart(Number(digits ?? 1), '0'),
    )
    .replaceAll('{date}', takenAt?.slice(0, 10) ?? '')
    .trim();
  if (made === '' || /[/\\:*?"<>|]/.test(made))
    return {
      ok: false,
      reason: made === '' ? 'The pattern gives no name.' : `“${made}” holds a character that file names cannot have.`,
    };
  return { ok: true, name: made };
}
