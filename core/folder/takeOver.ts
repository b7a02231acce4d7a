/** What was done in the folder becomes a change of the site: one, that can be undone. */
import {
  countOf,
  refuse,
  sameContent,
  type FileChange,
  type FileContent,
  type Planned,
  type SiteFiles,
} from '../site/index.ts';
import { lineEdits } from './lineEdits.ts';

/** What a file is to hold; null takes it away. */
export interface Taken {
  path: string;
  /** What it holds here now, as it was compared. */
  before: FileContent | null;
  after: FileContent | null;
}

/** Texts change by their lines, so that the change shows what was done. `folder` is its name. */
export function takeOver(files: SiteFiles, taken: readonly Taken[], folder: string): Planned {
  const names = new Map([...files.keys()].map((path) => [path.toLowerCase(), path]));
  const changes: FileChange[] = [];
  for (const { path, before, after } of taken) {
    const twin = names.get(path.toLowerCase());
    if (!sameContent(files.get(path) ?? null, before)) return refuse(`${path} was changed meanwhile; compare again`);
    const leaves = taken.some((one) => one.path === twin && one.after === null);
    // A file system that knows no capitals would lose one of the two.
    if (before === null && twin !== undefined && twin !== path && !leaves)
      return refuse(`${path} and ${twin} differ in capitals only. Rename one of them first`);
    changes.push(
      before?.kind === 'text' && after?.kind === 'text'
        ? { kind: 'edit', path, edits: lineEdits(before.text, after.text) }
        : { kind: 'put', path, before, after },
    );
  }
  const [only] = taken;
  const what = taken.length === 1 && only ? only.path : countOf(taken.length, 'file');
  return { ok: true, change: { label: `Apply disk changes of ${folder}: ${what}`, files: changes } };
}
