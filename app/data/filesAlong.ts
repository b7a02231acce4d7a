/** Pictures and fonts that a download's stylesheets name: they come into the site with the script. */
import type { Intent, StyleFile } from '~core/plans/index.ts';
import type { readOwnScript } from './ownScript';
import type { SiteSession } from './session/siteSession';

type OwnScript = Extract<Awaited<ReturnType<typeof readOwnScript>>, { ok: true }>;
type Brought = NonNullable<Extract<Intent, { kind: 'save-kit' }>['brought']>;

export interface AlongFile extends StyleFile {
  blob: Blob;
}

export async function filesAlong(
  { analysis }: Pick<SiteSession, 'analysis'>,
  { styles, others }: Pick<OwnScript, 'styles' | 'others'>,
): Promise<AlongFile[]> {
  if (others.length === 0) return [];
  const blobs = new Map(others.map(({ path, blob }) => [path, blob]));
  const named = await analysis.styleFiles(styles, [...blobs.keys()]);
  return named.flatMap((one): AlongFile[] => {
    const blob = blobs.get(one.path);
    return blob ? [{ ...one, blob }] : [];
  });
}

/** Keeps what the files hold, and then does what is asked for with them. */
export function bringAlong(
  session: SiteSession,
  along: readonly AlongFile[],
  intentFor: (brought: Brought) => Intent,
): void {
  void session.doWith(along, (contents) =>
    intentFor(
      along.flatMap(({ style, address }, n) => {
        const content = contents[n];
        return content ? [{ style, address, content }] : [];
      }),
    ),
  );
}
