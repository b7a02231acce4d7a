/**
 * One thing about a gallery's look that can be read from its stylesheets and set in them. One setting is one entry of
 * a file here.
 */
import type { StyleWish } from '../declare.ts';
import { doubtFor, winnerFor, type State, type Winner } from '../cascade.ts';
import type { Layout } from '../layout.ts';
import type { Role } from '../roles.ts';

/** How a value is asked for. `columns` is a number or a least width; `lines` a number of lines of text. */
export type Field =
  | { kind: 'columns' }
  | { kind: 'length' }
  | { kind: 'lines' }
  | { kind: 'share' }
  /** It is done, and has no value. */
  | { kind: 'act' }
  | { kind: 'border' }
  | { kind: 'colour' }
  | { kind: 'choice'; choices: readonly (readonly [value: string, says: string])[] };

export interface Declared {
  /** As the author wrote it, or in the setting's own terms; null where nothing is declared. */
  value: string | null;
  /** What says so. */
  winner: Winner | null;
  /** Why it cannot be told what a browser makes of it; left out where it can. */
  unread?: string;
}

export interface Setting {
  id: string;
  group: 'Columns' | 'Pictures' | 'Captions' | 'Page' | 'Under the pointer' | 'With the keyboard' | 'While pressed';
  title: string;
  /** What stands in the comment above a new rule. */
  purpose: string;
  field: Field;
  state?: State;
  read: (layout: Layout) => Declared;
  /** What has to be declared for a value, or why it cannot be. */
  wishes: (layout: Layout, value: string | null) => StyleWish[] | string;
  /** Why it cannot be set in this layout; null where it can. */
  idle?: (layout: Layout) => string | null;
}

/** What is declared of a part of the gallery. */
export function declared({ situation, parts }: Layout, role: Role, property: string): Declared {
  const element = parts[role][0];
  const winner = element ? winnerFor(situation, element, property) : null;
  const unread = element ? doubtFor(situation, element, property) : null;
  return { value: winner?.value ?? null, winner, ...(unread === null ? {} : { unread }) };
}

/** A setting that is one property of one part. */
export function plain(role: Role, property: string): Pick<Setting, 'read' | 'wishes'> {
  return {
    read: (layout) => declared(layout, role, property),
    wishes: (_layout, value) => [{ role, property, value }],
  };
}

export const placeOf = ({ rule, declaration }: Winner): { path: string; line: number; start: number } => ({
  path: rule.stylesheet.path,
  line: rule.stylesheet.lines.lineAt(declaration.range.start),
  start: declaration.range.start,
});
