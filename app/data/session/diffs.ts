/** What a change does, file by file, for showing. */
import { hunksOf, NOTES_FILE, type Change, type FileContent, type Hunk } from '~core/site/index.ts';

export interface FileDiff {
  path: string;
  note: string;
  hunks: Hunk[];
}

/** `files` are those before the change. */
export function diffsOf(change: Change, files: ReadonlyMap<string, FileContent>): FileDiff[] {
  // The program's own notes are no file of the site's author.
  return change.files
    .filter(({ path }) => path !== NOTES_FILE)
    .map((file) => {
      if (file.kind === 'rename') return { path: file.path, note: `renamed to ${file.to}`, hunks: [] };
      if (file.kind === 'put') return { path: file.path, note: noteOf(file), hunks: [] };
      const content = files.get(file.path);
      return { path: file.path, note: '', hunks: content?.kind === 'text' ? hunksOf(content.text, file.edits) : [] };
    });
}

function noteOf({ before, after }: Extract<Change['files'][number], { kind: 'put' }>): string {
  if (before === null) return 'new file';
  return after === null ? 'removed' : 'replaced';
}
