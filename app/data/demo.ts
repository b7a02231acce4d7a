/** The demo site: fetched from the application's own server and brought in once, on the first visit. */
import type { IntakeProgress, IntakeResult } from './intake/importSite';
import { importZip } from './intake/intake';

const SEEN = 'demo-brought-in';

export const demoWasSeen = (): boolean => localStorage.getItem(SEEN) === 'yes';

export async function importDemo(onProgress: (progress: IntakeProgress) => void): Promise<IntakeResult> {
  onProgress({ says: 'Loading the demo site', share: null });
  const answer = await fetch('/demo.zip');
  if (!answer.ok) return { ok: false, reason: await answer.text(), refused: [] };
  const result = await importZip(await answer.blob(), 'demo.zip', { onProgress, name: 'Tarrowby Kite Circle' });
  if (result.ok) localStorage.setItem(SEEN, 'yes');
  return result;
}
