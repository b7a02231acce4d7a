/** The files of a site as plain data: text is held as text, everything else by the hash of its content. */
import { nameOf } from './path.ts';

export type FileContent = { kind: 'text'; text: string } | { kind: 'binary'; hash: string; bytes: number };
export type SiteFiles = ReadonlyMap<string, FileContent>;

/** What a reference finds on a host that tells capitals apart, as most do. */
export type Lookup = { found: 'exact'; path: string } | { found: 'other-case'; path: string } | { found: 'nothing' };

/** Answers look-ups by exact path, and by path but for case. One is made for each state of the files. */
export class PathIndex {
  readonly #paths: ReadonlySet<string>;
  readonly #folded = new Map<string, string>();

  constructor(paths: Iterable<string>) {
    this.#paths = new Set(paths);
    for (const path of this.#paths) this.#folded.set(path.toLowerCase(), path);
  }

  /** `dir/` finds `dir/index.html`, as a server would. */
  lookup(path: string): Lookup {
    const wanted = path === '' || path.endsWith('/') ? `${path}index.html` : path;
    if (this.#paths.has(wanted)) return { found: 'exact', path: wanted };
    const other = this.#folded.get(wanted.toLowerCase());
    return other === undefined ? { found: 'nothing' } : { found: 'other-case', path: other };
  }

  /** Files of the same name elsewhere in the site: candidates where a path leads nowhere. */
  namesakes(path: string): string[] {
    const name = nameOf(path).toLowerCase();
    return [...this.#paths].filter((candidate) => nameOf(candidate).toLowerCase() === name);
  }

  freePath(wanted: string): string {
    if (!this.#folded.has(wanted.toLowerCase())) return wanted;
    const dot = wanted.lastIndexOf('.');
    for (let n = 2; ; n++) {
      const candidate = `${wanted.slice(0, dot)}-${n}${wanted.slice(dot)}`;
      if (!this.#folded.has(candidate.toLowerCase())) return candidate;
    }
  }
}

/** RFC 3629 §3; each half of a surrogate pair counts for half of its four bytes. */
function bytesOfUnit(unit: number): number {
  if (unit < 0x80) return 1;
  if (unit < 0x800 || (unit >= 0xd800 && unit < 0xe000)) return 2;
  return 3;
}

/** Bytes as UTF-8 would hold them; the length that a parcel and a server count. */
function utf8Length(text: string): number {
  let bytes = 0;
  for (let i = 0; i < text.length; i++) {
    bytes += bytesOfUnit(text.charCodeAt(i));
  }
  return bytes;
}

export const bytesOf = (content: FileContent): number =>
  content.kind === 'text' ? utf8Length(content.text) : content.bytes;
