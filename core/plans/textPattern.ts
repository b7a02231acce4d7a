/**
 * Texts of pictures by a pattern: `{title}[, {month} {year}][, {place}]`. What stands in square brackets goes where a
 * value in it is missing. A new value is a line of the table.
 */
import type { Capture } from '../photo/index.ts';
import { refuse, type Result } from '../site/index.ts';

/** What is known of a picture; empty or null where nothing is. */
export interface PatternValues {
  name: string;
  /** From 1, among the pictures that are meant. */
  number: number;
  title: string;
  caption: string;
  alt: string;
  credit: string;
  copyright: string;
  tags: readonly string[];
  /** ISO date and time without zone. */
  takenAt: string | null;
  capture: Capture | undefined;
  /** As somebody has typed it. */
  place: string;
}

type Value = (of: PatternValues, language: string) => string;

const TOKENS = {
  title: { says: 'its title', value: ({ title }) => title },
  caption: { says: 'its caption', value: ({ caption }) => caption },
  alt: { says: 'its alt text', value: ({ alt }) => alt },
  credit: { says: 'who took it', value: ({ credit }) => credit },
  copyright: { says: 'its copyright', value: ({ copyright }) => copyright },
  tags: { says: 'its tags', value: ({ tags }) => tags.join(', ') },
  day: { says: 'the day it was taken', value: dated({ dateStyle: 'long' }, 10) },
  month: { says: 'the month: June', value: dated({ month: 'long' }, 7) },
  year: { says: 'the year', value: ({ takenAt }) => takenAt?.slice(0, 4) ?? '' },
  place: { says: 'the place that you type', value: ({ place }) => place },
  camera: { says: 'the camera', value: ({ capture }) => capture?.camera ?? '' },
  lens: { says: 'the lens', value: ({ capture }) => capture?.lens ?? '' },
  name: { says: 'the name of its file', value: ({ name }) => name },
  number: { says: 'its number: 1, 2, 3', value: ({ number }) => String(number) },
} satisfies Record<string, { says: string; value: Value }>;

type Token = keyof typeof TOKENS;

export const TEXT_TOKENS: readonly { token: string; says: string }[] = Object.entries(TOKENS).map(
  ([name, { says }]) => ({ token: `{${name}}`, says }),
);

/** In the language of the page; needs so many letters of the ISO date. */
function dated(style: Intl.DateTimeFormatOptions, letters: number): Value {
  return ({ takenAt }, language) => {
    if (takenAt === null || takenAt.length < letters) return '';
    const day = new Date(`${takenAt.slice(0, 10).padEnd(10, '-01')}T12:00:00Z`);
    if (Number.isNaN(day.getTime())) return '';
    try {
      return new Intl.DateTimeFormat(language, { ...style, timeZone: 'UTC' }).format(day);
    } catch {
      // No language that anybody knows.
      return takenAt.slice(0, letters);
    }
  };
}

/** Why a pattern cannot be used; null where it can. */
export function patternTrouble(pattern: string): string | null {
  if (pattern.trim() === '') return 'The pattern is empty.';
  const unknown = [...pattern.matchAll(/\{([^{}]*)\}/g)].find(([, name = '']) => !(name in TOKENS));
  const all = TEXT_TOKENS.map(({ token }) => token).join(', ');
  if (unknown) return `“${unknown[0]}” is not known; use ${all}.`;
  if (/[{}]/.test(pattern.replace(/\{[^{}]*\}/g, ''))) return 'A brace is open or closed alone.';
  const depths = [...pattern.replace(/[^[\]]/g, '')].map((sign) => (sign === '[' ? 1 : -1));
  let depth = 0;
  for (const step of depths) {
    depth += step;
    if (depth < 0 || depth > 1) return 'Square brackets stand in pairs, and not in one another.';
  }
  return depth === 0 ? null : 'A square bracket is not closed.';
}

/** The text of one picture, or what is not known of it. */
export function textBy(pattern: string, of: PatternValues, language: string): Result<{ text: string }> {
  const missing: string[] = [];
  const filled = (part: string): string | null => {
    let isWhole = true;
    const text = part.replace(/\{([^{}]*)\}/g, (_all, name: Token) => {
      const value = TOKENS[name].value(of, language).trim();
      if (value === '') {
        isWhole = false;
        missing.push(TOKENS[name].says);
      }
      return value;
    });
    return isWhole ? text : null;
  };
  const optional = pattern.replace(/\[([^[\]]*)\]/g, (_all, inner: string) => filled(inner) ?? '');
  missing.length = 0;
  const text = filled(optional.replace(/\s+/g, ' ').trim());
  if (text === null) return refuse(`Nobody knows ${missing.join(', ')}.`);
  return text === '' ? refuse('Nothing of the pattern is known.') : { ok: true, text };
}
