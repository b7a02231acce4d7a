/**
 * A site and its folder on disk, file by file: each side is held against what both were when they were last in step.
 * Compared by content alone; dates and sizes say nothing of what a file holds.
 */
import { byNaturalName, sameContent, type FileContent, type SiteFiles } from '../site/index.ts';

/** `here` is the site in this program, `there` the folder on disk. */
export type Side = 'here' | 'there';

/** What has become of a file on one side since both were in step. */
export type Doing = 'new' | 'changed' | 'deleted';

export interface FolderFile {
  path: string;
  /** What it holds on each side; null where it is not there. */
  here: FileContent | null;
  there: FileContent | null;
  /** What both held when they were last in step; null where they never were. */
  agreed: FileContent | null;
  /** What was done on each side since; null where nothing was. Where both did something, somebody has to choose. */
  doneHere: Doing | null;
  doneThere: Doing | null;
}

/** Files that are not the same on both sides, in the order in which people count. */
export function compareFolder(here: SiteFiles, there: SiteFiles, agreed: SiteFiles): FolderFile[] {
  const paths = new Set([...here.keys(), ...there.keys()]);
  return [...paths]
    .flatMap((path): FolderFile[] => {
      const sides = {
        here: here.get(path) ?? null,
        there: there.get(path) ?? null,
        agreed: agreed.get(path) ?? null,
      };
      if (sameContent(sides.here, sides.there)) return [];
      return [
        {
          path,
          ...sides,
          doneHere: doneTo(sides.agreed, sides.here),
          doneThere: doneTo(sides.agreed, sides.there),
        },
      ];
    })
    .sort((a, b) => byNaturalName(a.path, b.path));
}

function doneTo(agreed: FileContent | null, now: FileContent | null): Doing | null {
  if (sameContent(agreed, now)) return null;
  if (now === null) return 'deleted';
  return agreed === null ? 'new' : 'changed';
}

/** On which side alone a file differs from what was in step, or on both. */
export function differs({ doneHere, doneThere }: Pick<FolderFile, 'doneHere' | 'doneThere'>): Side | 'both' {
  if (doneHere !== null && doneThere !== null) return 'both';
  return doneHere === null ? 'there' : 'here';
}

/** Paths at which both sides are the same, and what stands there: null where both are without a file that was in step. */
export function inStep(here: SiteFiles, there: SiteFiles, agreed: SiteFiles): Map<string, FileContent | null> {
  const same = [...here].filter(([path, content]) => sameContent(content, there.get(path) ?? null));
  const gone = [...agreed.keys()].filter((path) => !here.has(path) && !there.has(path));
  return new Map<string, FileContent | null>([...same, ...gone.map((path) => [path, null] as const)]);
}
