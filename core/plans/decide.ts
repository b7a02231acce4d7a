/** What somebody decides of two pictures. */
import { changeNotes, type SiteReading } from '../model/index.ts';
import { type FileContent, nameOf, type PairDecision, type Planned, refuse } from '../site/index.ts';

interface Decide {
  thumbnail: string;
  full: string;
  /** Null takes back what was decided. */
  belong: boolean | null;
}

export function decide(site: SiteReading, { thumbnail, full, belong }: Decide): Planned {
  const small = hashOf(site.files.get(thumbnail));
  const large = hashOf(site.files.get(full));
  if (small === null || large === null) return refuse(`${small === null ? thumbnail : full} is no longer there.`);
  if (small === large)
    return {
      ok: false,
      reason: `${nameOf(thumbnail)} and ${nameOf(full)} are the same file to the byte; one of them is not needed.`,
    };
  const decisions = site.notes.known.decisions.filter((one) => !contradicts(one, small, large, belong));
  if (belong !== null) decisions.push({ small, large, belong });
  return changeNotes(site, labelFor(thumbnail, full, belong), { decisions });
}

const hashOf = (content: FileContent | undefined): string | null => (content?.kind === 'binary' ? content.hash : null);

/** A thumbnail has one full-size picture and the other way round: a new pair takes the place of older ones. */
function contradicts(one: PairDecision, small: string, large: string, belong: boolean | null): boolean {
  if (one.small === small && one.large === large) return true;
  return belong === true && one.belong && (one.small === small || one.large === large);
}

function labelFor(thumbnail: string, full: string, belong: boolean | null): string {
  if (belong === null) return `Remove the decision on ${nameOf(thumbnail)}`;
  return belong ? `Pair ${nameOf(thumbnail)} with ${nameOf(full)}` : `Part ${nameOf(thumbnail)} from ${nameOf(full)}`;
}
