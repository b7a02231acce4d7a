/** Several changes as one. */
import { applyChange, composed, type Edit, type FileChange, type FileContent, type SiteFiles } from '../site/index.ts';

/** Changes that follow one another, as one: files get their names first, then each text its edits. */
export class Merged {
  readonly #before: SiteFiles;
  readonly #renames: FileChange[] = [];
  /** By the name that a file has now: the one that it had, and its edits step by step. */
  readonly #edits = new Map<string, { was: string; steps: Edit[][] }>();
  readonly #puts = new Map<string, { before: FileContent | null; after: FileContent | null }>();

  constructor(before: SiteFiles) {
    this.#before = before;
  }

  add(files: readonly FileChange[]): void {
    for (const file of files) {
      if (file.kind === 'rename') this.#rename(file);
      else if (file.kind === 'put') this.#put(file);
      else this.#edit(file.path, file.edits);
    }
  }

  #rename(file: Extract<FileChange, { kind: 'rename' }>): void {
    this.#renames.push(file);
    const edits = this.#edits.get(file.path) ?? { was: file.path, steps: [] };
    this.#edits.delete(file.path);
    this.#edits.set(file.to, edits);
  }

  #put({ path, before, after }: Extract<FileChange, { kind: 'put' }>): void {
    this.#puts.set(path, { before: this.#puts.get(path)?.before ?? before, after });
  }

  #edit(path: string, edits: Edit[]): void {
    const put = this.#puts.get(path);
    if (put?.after?.kind === 'text') {
      const applied = applyChange(new Map([[path, put.after]]), { label: '', files: [{ kind: 'edit', path, edits }] });
      if (applied.ok) put.after = applied.files.get(path) ?? null;
      return;
    }
    const known = this.#edits.get(path) ?? { was: path, steps: [] };
    known.steps.push(edits);
    this.#edits.set(path, known);
  }

  files(): FileChange[] {
    const edits = [...this.#edits].flatMap(([path, { was, steps }]): FileChange[] => {
      const content = this.#before.get(was);
      if (content?.kind !== 'text' || steps.length === 0) return [];
      const all = composed(content.text.length, steps);
      return all.length === 0 ? [] : [{ kind: 'edit', path, edits: all }];
    });
    const puts = [...this.#puts].map(([path, put]): FileChange => ({ kind: 'put', path, ...put }));
    return [...this.#renames, ...edits, ...puts];
  }
}
