/** What a plan comes to: one change, or why it cannot be done. */
import type { Change } from './change.ts';
import type { Edit } from './edit.ts';
import type { Result } from './result.ts';

/** Edits of one text, checked against what was meant by whoever made them. */
export type Edited = Result<{ edits: Edit[] }>;

/** A place in a text where a name stands that was left as it is. */
export interface Named {
  path: string;
  /** In characters from the beginning of the text. */
  start: number;
  /** From 1. */
  line: number;
  /** As it is written there. */
  name: string;
  /** Why it was left, where that differs from one to the other. */
  why?: string;
}

/** What a change does not do, each with its place. */
export interface NotDone {
  /** Places that may mean what has changed, and of which nobody can be certain. */
  named?: readonly Named[];
  /** Items that would lose what they alone have. */
  left?: readonly Named[];
}

export type Planned = Result<{ change: Change } & NotDone>;

/** Edits of one file as a change with its label. */
export const planEdits = (label: string, path: string, edited: Edited): Planned =>
  edited.ok ? { ok: true, change: { label, files: [{ kind: 'edit', path, edits: edited.edits }] } } : edited;
