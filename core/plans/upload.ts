/** What is written beside the pages when a site leaves. */
import { changeNotes, type SiteReading } from '../model/index.ts';
import { publicAddress } from '../pack/index.ts';
import { type Planned, refuse, type SiteNotes } from '../site/index.ts';

export function setUpload(site: SiteReading, { upload }: { upload: SiteNotes['upload'] }): Planned {
  const written = upload.address.trim();
  const known = written === '' ? { ok: true as const, address: '' } : publicAddress(written);
  if (!known.ok) return refuse(known.reason);
  return changeNotes(site, 'Set what is written beside the pages', { upload: { ...upload, address: known.address } });
}
