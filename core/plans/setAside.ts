/** Findings that are to stay as they are, with the reason, so that who comes next knows it was looked at. */
import { changeNotes, type SiteReading } from '../model/index.ts';
import { type Planned, refuse } from '../site/index.ts';

interface SetAside {
  finding: string;
  /** Null brings it back. */
  reason: string | null;
}

export function setAside(site: SiteReading, { finding, reason }: SetAside): Planned {
  const others = site.notes.known.setAside.filter((one) => one.finding !== finding);
  if (reason === null) return changeNotes(site, 'Bring a finding back', { setAside: others });
  const why = reason.trim();
  if (why === '') return refuse('Say why the finding is to stay as it is.');
  return changeNotes(site, 'Set a finding aside', { setAside: [...others, { finding, reason: why }] });
}
