/** Many fixes as one change: each is planned for the site as the one before it leaves it. */
import { findingsOf } from '../checks/index.ts';
import { newReadingMemory, readSite, type SiteReading } from '../model/index.ts';
import type { PhotoFacts } from '../photo/index.ts';
import {
  applyChange,
  composed,
  countOf,
  type Edit,
  type FileChange,
  type FileContent,
  type Named,
  NOTES_FILE,
  type Planned,
  refuse,
  type SiteFiles,
} from '../site/index.ts';

type PlanFix = (site: SiteReading, finding: string) => Planned;

/** `planFix` plans the first thing that a finding offers. What another fix has mended already is passed over. */
export function fixAll(site: SiteReading, findings: readonly string[], planFix: PlanFix): Planned {
  const memory = newReadingMemory();
  const facts = factsByHash(site);
  const shipped = site.kits.filter(({ kind }) => kind !== 'own');
  const before = allFiles(site);
  const merged = new Merged(before);
  const named: Named[] = [];
  const left: Named[] = [];
  let files: SiteFiles = before;
  let reasons = '';
  let fixed = 0;
  // From the last to the first: of several alike the others keep their numbers.
  for (const id of findings.toReversed()) {
    const now = readSite(files, facts, shipped, memory);
    if (!findingsOf(now).some((finding) => finding.id === id)) continue;
    const planned = planFix(now, id);
    const applied = planned.ok ? applyChange(files, planned.change) : planned;
    if (!planned.ok || !applied.ok) {
      reasons ||= planned.ok ? '' : planned.reason;
      continue;
    }
    merged.add(planned.change.files);
    named.push(...(planned.named ?? []));
    left.push(...(planned.left ?? []));
    ({ files } = applied);
    fixed++;
  }
  if (fixed === 0) return refuse(reasons || 'These findings are fixed already, or the pages have changed meanwhile.');
  return { ok: true, change: { label: `Fix ${countOf(fixed, 'finding')}`, files: merged.files() }, named, left };
}

/** The site's files with the program's notes of it. */
function allFiles({ files, notes: { file } }: SiteReading): Map<string, FileContent> {
  return new Map([...files, ...(file ? [[NOTES_FILE, file] as const] : [])]);
}

function factsByHash(site: SiteReading): Map<string, PhotoFacts> {
  const facts = new Map<string, PhotoFacts>();
  for (const [path, content] of site.files) {
    const known = site.factsOf(path);
    if (content.kind === 'binary' && known) facts.set(content.hash, known);
  }
  return facts;
}

/** Changes that follow one another, as one: files get their names first, then each text its edits. */
class Merged {
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
