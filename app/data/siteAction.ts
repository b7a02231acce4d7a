/** Work that is asked of an open site, as the router hands it over. */
import type { ClientActionFunctionArgs } from 'react-router';
import { refuse } from '~core/site/index.ts';
import { sessionOf } from './session/openSite';
import type { Outcome } from './session/shared';
import type { SiteSession } from './session/siteSession';
import { Work } from './work';

/** What came of it is told to the whole screen. */
export async function stationAction({ params, request }: ClientActionFunctionArgs): Promise<Outcome> {
  const session = await sessionOf(params.siteId ?? '');
  if (!session) return refuse('This site is no longer in this browser.');
  const work = Work.safeParse(await request.json());
  const outcome = work.success
    ? await perform(session, work.data)
    : refuse(`This request is not understood: ${work.error.issues[0]?.message ?? 'unknown work'}.`);
  session.tellOutcome(outcome);
  return outcome;
}

function perform(session: SiteSession, work: Work): Promise<Outcome> {
  switch (work.do) {
    case 'intent':
      return session.commits.do(work.intent);
    case 'step':
      return session.commits.step(work.way);
    case 'go':
      return session.commits.goTo(work.to);
    case 'name-point':
      return session.commits.namePoint(work.number, work.name);
    case 'make':
      return session.make(work.tasks);
    case 'folder': {
      const paths = work.paths && new Set(work.paths);
      return work.way === 'save' ? session.folder.save(paths) : session.folder.takeIn(paths);
    }
    case 'choose':
      return session.folder.choose(work.path, work.choice);
    case 'rotate':
      return session.rotate(work.picture, work.rotation);
  }
}
