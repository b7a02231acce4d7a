/** What a plan comes to: one change, or why it cannot be done. */
import type { Change } from './change.ts';
import type { Edit } from './edit.ts';
import type { Result } from './result.ts';

/** Edits of one text, checked against what was meant by whoever made them. */
export type Edited = Result<{ edits: Edit[] }>;

export type Planned = Result<{ change: Change }>;

/** Edits of one file as a change with its label. */
export const planEdits = (label: string, path: string, edited: Edited): Planned =>
  edited.ok ? { ok: true, change: { label, files: [{ kind: 'edit', path, edits: edited.edits }] } } : edited;
