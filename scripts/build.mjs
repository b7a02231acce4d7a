/** `npm run build`: the application, the scripts of the preview origin, and the server that serves both. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { bundledScripts, bundleServer } from './bundle.mjs';
import { npx, ROOT } from './ready.mjs';

const status = npx('react-router', 'build');
if (status !== 0) process.exit(status);
const folder = join(ROOT, 'build/preview');
mkdirSync(folder, { recursive: true });
for (const [address, text] of await bundledScripts(ROOT)) writeFileSync(join(folder, basename(address)), text);
await bundleServer(ROOT);
