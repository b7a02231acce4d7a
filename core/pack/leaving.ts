/** What leaves, file by file, and what has become of it since it left before. */
import { byNaturalName, bytesOf, sameContent, type FileContent } from '../site/index.ts';

export interface LeavingFile {
  content: FileContent;
  /** A picture that may say where it was taken leaves as it is; out of all others that is struck. */
  withPlace: boolean;
}

export type Leaving = ReadonlyMap<string, LeavingFile>;

export interface SinceFile {
  path: string;
  doing: 'new' | 'changed' | 'deleted';
  /** Of what leaves now; of what left before where it is deleted. */
  bytes: number;
  /** Where the same content left under another name. */
  other: string | null;
  before: FileContent | null;
  now: FileContent | null;
}

/** What is to be uploaded, and deleted on the host, after `before` was; in the order in which people count. */
export function changedSince(now: Leaving, before: Leaving): SinceFile[] {
  const changes = [...now].flatMap(([path, file]): SinceFile[] => {
    const left = before.get(path);
    if (left && isSame(left, file)) return [];
    const doing = left ? 'changed' : 'new';
    return [
      { path, doing, bytes: bytesOf(file.content), other: null, before: left?.content ?? null, now: file.content },
    ];
  });
  const gone = [...before].flatMap(([path, { content }]): SinceFile[] =>
    now.has(path) ? [] : [{ path, doing: 'deleted', bytes: bytesOf(content), other: null, before: content, now: null }],
  );
  return withOtherNames([...changes, ...gone]).sort((a, b) => byNaturalName(a.path, b.path));
}

const isSame = (one: LeavingFile, other: LeavingFile): boolean =>
  one.withPlace === other.withPlace && sameContent(one.content, other.content);

/** A name that went and one that came with the same content are one file renamed; a content tells one such pair. */
function withOtherNames(files: readonly SinceFile[]): SinceFile[] {
  const news = new Map<string, string>();
  for (const { path, doing, now } of files) if (doing === 'new' && now) news.set(keyOf(now), path);
  const others = new Map<string, string>();
  for (const { path, doing, before } of files) {
    const to = doing === 'deleted' && before ? news.get(keyOf(before)) : undefined;
    if (to === undefined || others.has(to)) continue;
    others.set(to, path);
    others.set(path, to);
  }
  return files.map((file) => ({ ...file, other: others.get(file.path) ?? null }));
}

const keyOf = (content: FileContent): string => (content.kind === 'text' ? `text ${content.text}` : content.hash);
