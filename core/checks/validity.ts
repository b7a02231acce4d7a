/** What a checker of HTML says of a page, and what of it the page did not have when it came in. */

export interface ValidityMessage {
  /** The checker's own name of the rule. */
  rule: string;
  says: string;
  severity: 'error' | 'warning';
  /** From 1. */
  line: number;
  column: number;
  /** In the page's text. */
  start: number;
}

export interface ValidityFinding extends ValidityMessage {
  /** The page did not have it when it came in. */
  isNew: boolean;
}

const keyOf = ({ rule, says }: ValidityMessage): string => `${rule} ${says}`;

function counted(messages: readonly ValidityMessage[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const message of messages) counts.set(keyOf(message), (counts.get(keyOf(message)) ?? 0) + 1);
  return counts;
}

/**
 * Messages that say the same are told apart by how many there are, for lines move: what is more than before is new, and
 * the last of them are taken for it.
 */
export function withNews(now: readonly ValidityMessage[], before: readonly ValidityMessage[]): ValidityFinding[] {
  const had = counted(before);
  const seen = new Map<string, number>();
  return now.map((message) => {
    const nth = (seen.get(keyOf(message)) ?? 0) + 1;
    seen.set(keyOf(message), nth);
    return { ...message, isNew: nth > (had.get(keyOf(message)) ?? 0) };
  });
}

/** For a page that was not there: as much of each message as any page had, for it was made from one or is one renamed. */
export function mostOf(pages: Iterable<readonly ValidityMessage[]>): ValidityMessage[] {
  const most = new Map<string, ValidityMessage[]>();
  for (const messages of pages)
    for (const [key, count] of counted(messages)) {
      const alike = messages.filter((message) => keyOf(message) === key);
      if (count > (most.get(key)?.length ?? 0)) most.set(key, alike);
    }
  return [...most.values()].flat();
}
