/** How a site and its folder on disk stand to one another, for the screen. */
import type { FolderFile } from '~core/folder/index.ts';
import { countOf, refuse } from '~core/site/index.ts';
import type { Outcome } from '../session/shared';
import { storageReason } from '../storageReason';
import type { FolderRecord } from '../store/records';
import type { Saved } from './saveThere';

export type FolderOptions = Pick<FolderRecord, 'takesIn' | 'saves' | 'withNotes'>;

/** A saving that did not come to its end: which files are as they were to be, and which as they had been. */
export interface Interrupted {
  began: number;
  written: string[];
  old: string[];
}

export interface FolderStanding extends FolderOptions {
  /** With a slash behind it where it is a folder. */
  name: string;
  /** Whether it is a folder that can be written, and not a copy that was picked to be compared. */
  linked: boolean;
  access: PermissionState;
  /** Whether it has been compared at all. */
  compared: boolean;
  /** Files that are not the same on both sides. */
  files: readonly FolderFile[];
  /** When both were the same last; ms since 1970. */
  inStep: number | null;
  trouble: string | null;
  interrupted: Interrupted | null;
  /** So much would be deleted that it is not done without being asked for, though the rest is. */
  heldBack: boolean;
}

/** A folder that was just linked: nothing is done without being asked for. */
export const linkTo = (siteId: string, handle: FileSystemDirectoryHandle): FolderRecord => ({
  siteId,
  handle,
  inStep: null,
  takesIn: false,
  saves: false,
  withNotes: false,
});

/** What is said of a saving. */
export function saidOf({ saved, left, stopped }: Saved, asked: number, name: string): Outcome {
  const done = (label: string): Outcome => ({ ok: true, label, diffs: [], undoable: false });
  if (stopped) return done(`Stopped: ${saved} of ${countOf(asked, 'file')} saved to ${name}`);
  const untouched = left.map(({ path, reason }) => `${path}: ${reason}`).join('; ');
  if (saved === 0 && left.length > 0) return refuse(`Nothing was saved. ${untouched}`);
  const what = `${countOf(saved, 'file')} saved to ${name}`;
  return done(left.length === 0 ? what : `${what}; left as they are: ${untouched}`);
}

const REASONS: Readonly<Record<string, string>> = {
  NotFoundError: 'The folder is not there any more. Link it again, or another one.',
  NotAllowedError: 'The browser does not allow this folder to be written. Allow access, or link it again.',
  NoModificationAllowedError: 'A file in the folder is locked by another program. Close it there and try again.',
  QuotaExceededError: 'The disk is full. What was written until then is whole; make room and save again.',
};

export const reasonOf = (error: unknown): string =>
  (error instanceof DOMException ? REASONS[error.name] : undefined) ?? storageReason(error);
