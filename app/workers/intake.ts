/** Brings sites in, and opens archives, away from the main thread. A worker for each; it ends with its work. */
import * as Comlink from 'comlink';
import { openZip } from '~core/pack/index.ts';
import { stemOf, type Result } from '~core/site/index.ts';
import { importSite, STOPPED, type IntakeProgress, type IntakeResult } from '../data/intake/importSite';
import { fromFolder, fromZip, type Incoming, type IntakeFile } from '../data/intake/incoming';
import { openStore } from '../data/store/idbStore';
import { sparingly } from './sparingly';

const stop = new AbortController();
const folder: IntakeFile[] = [];

type Tell = (progress: IntakeProgress) => void;

const intake = {
  /** Files of a folder come in pieces: thousands in one message would stall whoever sends them. */
  add(files: IntakeFile[]): void {
    folder.push(...files);
  },
  folder(name: string | null, tell: Tell): Promise<IntakeResult> {
    return take(fromFolder(folder), name, 'Untitled site', tell);
  },
  async archive(archive: Blob, fileName: string, name: string | null, tell: Tell): Promise<IntakeResult> {
    return take(await fromZip(archive), name, stemOf(fileName), tell);
  },
  /** All that an archive holds, for what is small. */
  async unzip(archive: Blob): Promise<Unzipped> {
    const opened = await openZip(archive);
    if (!opened.ok) return opened;
    const files: IntakeFile[] = [];
    for (const { path, read } of opened.files) {
      const content = await read();
      if (!content.ok) return { ok: false, reason: `“${path}” ${content.reason}.` };
      files.push({ path, blob: content.blob });
    }
    return { ok: true, files, folder: opened.folder };
  },
  stop(): void {
    stop.abort();
  },
};

type Unzipped = Result<{ files: IntakeFile[]; folder: string }>;

async function take(incoming: Incoming, name: string | null, otherwise: string, tell: Tell): Promise<IntakeResult> {
  if (stop.signal.aborted) return STOPPED;
  if (!incoming.ok) return incoming;
  return importSite(await openStore(), incoming, {
    name: name ?? (incoming.folder || otherwise),
    onProgress: sparingly(tell),
    signal: stop.signal,
  });
}

export type Intake = typeof intake;
Comlink.expose(intake);
