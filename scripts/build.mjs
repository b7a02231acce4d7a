/** `npm run build`: the application, the scripts of the preview origin, and the server that serves both. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { bundledScripts, bundleServer } from './bundle.mjs';
import { npx, ROOT } from './ready.mjs';

const status = npx('react-router', 'build');
if (status !== 0) process.exit(status);
const folder = join(ROOT, 'build/preview');
mkdirSync(folder, { recursive: true });
for (const [address, text] of await bundledScripts(ROOT)) writeFileSync(join(folder, basename(address)), text);
await bundleServer(ROOT);

/** Beside each file its compressed forms, which the server sends as they are. */
async function compress(path) {
  const bytes = readFileSync(path);
  const quality = { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } };
  const [zipped, brotli] = await Promise.all([promisify(gzip)(bytes), promisify(brotliCompress)(bytes, quality)]);
  writeFileSync(`${path}.gz`, zipped);
  writeFileSync(`${path}.br`, brotli);
}
const assets = join(ROOT, 'build/client/assets');
// Fonts and pictures are compressed in themselves.
const compressible = readdirSync(assets).filter((name) => /\.(js|css|svg|wasm)$/.test(name));
await Promise.all(compressible.map((name) => compress(join(assets, name))));
