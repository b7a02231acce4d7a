/** What the build makes beside the application: the scripts of preview and test host, and the server. */
import { build } from 'esbuild';
import { join } from 'node:path';

const PREVIEW_SCRIPTS = ['bridge', 'boot', 'worker', 'probe', 'audit'];
/** With them a site is walked on the test host. */
const WALK_SCRIPTS = ['walk', 'visitor'];

/**
 * The scripts of preview and test host by their addresses.
 * @param {string} root
 * @returns {Promise<Map<string, string>>}
 */
export async function bundledScripts(root) {
  const { outputFiles } = await build({
    entryPoints: [...PREVIEW_SCRIPTS, ...WALK_SCRIPTS].map((name) => join(root, 'preview', `${name}.ts`)),
    outdir: join(root, 'build/preview'),
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    logLevel: 'silent',
  });
  return new Map(outputFiles.map(({ path, text }) => [`/${path.split(/[\\/]/).pop()}`, text]));
}

/**
 * The server as one file that needs only the packages it names.
 * @param {string} root
 */
export const bundleServer = (root) =>
  build({
    entryPoints: [join(root, 'server/main.ts')],
    outfile: join(root, 'build/start.js'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  });
