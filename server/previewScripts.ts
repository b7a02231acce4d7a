/** The scripts that run on the preview origin, by their addresses. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

export type PreviewScripts = ReadonlyMap<string, string>;

/** As the build has written them. */
export const builtScripts = (folder: string): PreviewScripts =>
  new Map(readdirSync(folder).map((name) => [`/${name}`, readFileSync(join(folder, name), 'utf8')]));
