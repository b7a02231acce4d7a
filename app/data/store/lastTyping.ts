/**
 * What was typed last before a page went, in the browser's small storage that is written at once: a transaction of
 * the database that has not come to its end when the page is gone is given up.
 */
import { TypingRecord } from './records';

const PREFIX = 'typed ';
const nameOf = (siteId: string, path: string): string => `${PREFIX}${siteId} ${path}`;

/** Without room for it, the database has to do. */
export function saveLast(typing: TypingRecord): void {
  try {
    localStorage.setItem(nameOf(typing.siteId, typing.path), JSON.stringify(typing));
  } catch {
    // Told by what is asked for besides: the same is written to the database.
  }
}

export function forgetLast(siteId: string, path: string): void {
  // Workers have none, and nobody types there.
  if (typeof localStorage !== 'undefined') localStorage.removeItem(nameOf(siteId, path));
}

export function forgetAllLast(siteId: string): void {
  for (const name of namesOf(siteId)) localStorage.removeItem(name);
}

export function readLast(siteId: string): TypingRecord[] {
  return namesOf(siteId).flatMap((name) => {
    try {
      return TypingRecord.safeParse(JSON.parse(localStorage.getItem(name) ?? '')).data ?? [];
    } catch {
      return [];
    }
  });
}

const namesOf = (siteId: string): string[] =>
  typeof localStorage === 'undefined'
    ? []
    : Object.keys(localStorage).filter((name) => name.startsWith(nameOf(siteId, '')));
