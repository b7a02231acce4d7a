/** The site that is open; there is one at a time. */
import { SiteSession } from './siteSession';

let current: { id: string; session: Promise<SiteSession | null>; open: SiteSession | null } | null = null;

/** The open site; another one is closed first, for the workers serve one at a time. */
export function sessionOf(siteId: string): Promise<SiteSession | null> {
  if (current?.id === siteId) return current.session;
  const before = current?.session;
  void before?.then((session) => session?.close());
  const opening: NonNullable<typeof current> = { id: siteId, session: SiteSession.open(siteId), open: null };
  void opening.session.then((session) => (opening.open = session)).catch(() => undefined);
  current = opening;
  return opening.session;
}

/** Whether what the screen has of a site is still true, so that going to another station need not read it again. */
export const isFresh = (siteId: string): boolean => current?.id === siteId && current.open?.fresh === true;

export function leaveSite(): void {
  void current?.session.then((session) => session?.close());
  current = null;
}
