/** What findings offer, made all together. */
import { findingsOf, type Fix } from '../checks/index.ts';
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

type PlanFix = (site: SiteReading, fix: Fix | undefined) => Planned;

/** Many fixes as one change: each is planned for the site as those before it leave it. */
export function fixAll(site: SiteReading, findings: readonly string[], planFix: PlanFix): Planned {
  const memory = newReadingMemory();
  const facts = factsByHash(site);
  const shipped = site.kits.filter(({ kind }) => kind !== 'own');
  const merged = new Merged(allFiles(site));
  const untold: Untold = { named: [], left: [], reasons: [] };
  let now = site;
  let fixed = 0;
  // From the last to the first: of several alike the others keep their numbers.
  for (let waiting = findings.toReversed(); waiting.length > 0;) {
    const round = roundOf(now, waiting, planFix, untold);
    if (round.files.length === 0) break;
    const applied = applyChange(allFiles(now), { label: '', files: round.files });
    if (!applied.ok) return applied;
    merged.add(round.files);
    fixed += round.fixed;
    ({ waiting } = round);
    now = readSite(applied.files, facts, shipped, memory);
  }
  const { named, left, reasons } = untold;
  if (fixed === 0)
    return refuse(reasons[0] ?? 'These findings are fixed already, or the pages have changed meanwhile.');
  return { ok: true, change: { label: `Fix ${countOf(fixed, 'finding')}`, files: merged.files() }, named, left };
}

/** What is told of fixes besides their changes. */
interface Untold {
  named: Named[];
  left: Named[];
  /** Why some could not be made. */
  reasons: string[];
}

interface Round {
  files: FileChange[];
  fixed: number;
  /** Findings for the next one. */
  waiting: string[];
}

/**
 * As many as touch no file twice, so that a site need not be read again after each; what renames files or puts them in
 * place has a round to itself. What another fix has mended already is passed over.
 */
function roundOf(site: SiteReading, findings: readonly string[], planFix: PlanFix, untold: Untold): Round {
  const known = new Map(findingsOf(site).map((finding) => [finding.id, finding]));
  const touched = new Set<string>();
  const round: Round = { files: [], fixed: 0, waiting: [] };
  let isAlone = false;
  for (const id of findings) {
    const finding = known.get(id);
    if (!finding) continue;
    const planned: Planned | null = isAlone ? null : planFix(site, finding.fixes[0]);
    const files: readonly FileChange[] = planned?.ok ? planned.change.files : [];
    const alone = files.some(({ kind }) => kind !== 'edit');
    const isFree = alone ? touched.size === 0 : files.every(({ path }) => !touched.has(path));
    if (!planned || (planned.ok && !isFree)) round.waiting.push(id);
    else if (!planned.ok) untold.reasons.push(planned.reason);
    else {
      round.files.push(...files);
      round.fixed++;
      for (const { path } of files) touched.add(path);
      untold.named.push(...(planned.named ?? []));
      untold.left.push(...(planned.left ?? []));
      isAlone = alone;
    }
  }
  return round;
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
