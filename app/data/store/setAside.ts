/**
 * What cannot be read of a site. It stands in nobody's way, is never deleted, and can be saved as it is by whoever
 * wants to look into it.
 */

export interface SetAside {
  kind: 'site' | 'file' | 'step' | 'queue' | 'content' | 'typing';
  /** The path of a file, the number of a step. */
  name: string;
  /** A whole sentence: what is the case, and what it means. */
  says: string;
  /** As the store has it; nothing where a content is missing. */
  record?: unknown;
}

const SAYS = {
  site: () => 'The name and dates of this site could not be read; they were set again.',
  file: (path: string) => `${path} cannot be read from the browser’s storage; the site is shown without it.`,
  step: (number: string) => `Step ${number} of the history cannot be read; the changes up to it cannot be undone.`,
  queue: () => 'Pictures that were being created cannot be finished; create them again.',
  typing: (path: string) =>
    `What was typed last into ${path} was not written yet, and the file is missing or cannot be read; the typed text is kept.`,
  content: (path: string) =>
    `The content of ${path} is missing from the browser’s storage; import it again, or from an archive.`,
} satisfies Record<SetAside['kind'], (name: string) => string>;

export const setAside = (kind: SetAside['kind'], name: string, record?: unknown): SetAside => ({
  kind,
  name,
  says: SAYS[kind](name),
  ...(record === undefined ? {} : { record }),
});

/** Every text in a record that nobody understands: one of them may name a content that has to stay. */
export function textsIn(record: unknown): string[] {
  if (typeof record === 'string') return [record];
  if (typeof record !== 'object' || record === null) return [];
  const found: string[] = [];
  // No recursion: how deep a damaged record goes, nobody knows. What holds itself is seen once.
  const seen = new Set<object>([record]);
  for (const one of seen) {
    for (const value of Object.values(one) as unknown[]) {
      if (typeof value === 'string') found.push(value);
      else if (typeof value === 'object' && value !== null) seen.add(value);
    }
  }
  return found;
}
