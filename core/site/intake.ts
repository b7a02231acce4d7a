/** What may come in: a folder or an archive is judged as a whole before anything of it is kept. */
import { cleanPath, isSystemLitter } from './path.ts';
import type { Result } from './result.ts';

interface Incoming {
  path: string;
  bytes: number;
}

export interface Refusal {
  path: string;
  reason: string;
}

export type Intake = Result<
  { accepted: { raw: string; path: string }[]; skipped: Refusal[]; folder: string },
  { refused: Refusal[] }
>;

export interface IntakeLimits {
  files: number;
  fileBytes: number;
  totalBytes: number;
}

/** Generous for hand-coded sites; a mistaken choice (a home folder) is caught before it is read. */
export const INTAKE_LIMITS: IntakeLimits = { files: 20_000, fileBytes: 300 * 2 ** 20, totalBytes: 4 * 2 ** 30 };

const inMegabytes = (bytes: number) => `${Math.round(bytes / 2 ** 20)} MB`;

/**
 * Judges a list of files. A folder that holds everything is taken off the paths and given back as `folder`.
 * Unsafe paths and double names refuse the whole; litter of operating systems is skipped and listed.
 */
export function judgeIntake(incoming: readonly Incoming[], limits: IntakeLimits = INTAKE_LIMITS): Intake {
  const refused: Refusal[] = [];
  const skipped: Refusal[] = [];
  const cleaned: { raw: string; path: string }[] = [];
  const seen = new Map<string, string>();
  let total = 0;

  if (incoming.length > limits.files) {
    return {
      ok: false,
      refused,
      reason: `${incoming.length} files are more than the ${limits.files} that a site may have. Choose the folder of the site itself.`,
    };
  }
  for (const { path: raw, bytes } of incoming) {
    if (raw.endsWith('/')) continue;
    if (isSystemLitter(raw)) {
      skipped.push({ path: raw, reason: 'left behind by the operating system or a tool; not part of the site' });
      continue;
    }
    const clean = cleanPath(raw);
    if (!clean.ok) {
      refused.push({ path: raw, reason: clean.reason });
      continue;
    }
    if (bytes > limits.fileBytes)
      refused.push({
        path: raw,
        reason: `${inMegabytes(bytes)} is more than the ${inMegabytes(limits.fileBytes)} that one file may have`,
      });
    const twin = seen.get(clean.path);
    if (twin !== undefined) refused.push({ path: raw, reason: `it is a duplicate of “${twin}”` });
    seen.set(clean.path, raw);
    total += bytes;
    cleaned.push({ raw, path: clean.path });
  }
  if (refused.length > 0)
    return {
      ok: false,
      refused,
      reason: `${refused.length === 1 ? 'One file' : `${refused.length} files`} cannot be imported, so nothing was.`,
    };
  if (total > limits.totalBytes)
    return {
      ok: false,
      refused,
      reason: `${inMegabytes(total)} in all is more than the ${inMegabytes(limits.totalBytes)} that a site may have.`,
    };
  if (cleaned.length === 0) return { ok: false, refused, reason: 'There is no file in it.' };

  const folder = sharedFolder(cleaned.map((file) => file.path));
  return {
    ok: true,
    skipped,
    folder: folder.replace(/\/$/, ''),
    accepted: cleaned.map(({ raw, path }) => ({ raw, path: path.slice(folder.length) })),
  };
}

/** The one top folder that holds every file, with its slash, or ''. */
function sharedFolder(paths: readonly string[]): string {
  const first = paths[0]?.split('/')[0] ?? '';
  return paths.every((path) => path.startsWith(`${first}/`)) ? `${first}/` : '';
}
