/** The site that is open; there is one at a time. */
import { SiteSession } from './siteSession';

let current: { id: string; session: Promise<SiteSession | null> } | null = null;

/** The open site; another one is closed first, for the workers serve one at a time. */
export function sessionOf(siteId: string): Promise<SiteSession | null> {
  if (current?.id === siteId) return current.session;
  const before = current?.session;
  void before?.then((session) => session?.close());
  current = { id: siteId, session: SiteSession.open(siteId) };
  return current.session;
}

export function leaveSite(): void {
  void current?.session.then((session) => session?.close());
  current = null;
}
