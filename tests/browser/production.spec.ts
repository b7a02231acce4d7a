/** What `npm start` serves: without development packages, compressed, and kept by browsers as long as it may be. */
import { existsSync, readFileSync } from 'node:fs';
import { isBuiltin } from 'node:module';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from './fixtures';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const read = (path: string) => readFileSync(join(ROOT, path), 'utf8');

interface Lock {
  /** By where they are installed; `dev` where only development needs them. */
  packages: Record<string, { dev?: true }>;
}

/** Packages that a built file imports, by their names without a path in them. */
function packagesOf(text: string): string[] {
  const imported = [...text.matchAll(/^(?:import|export)\b[^'"]*?(?:from\s*)?["']([^'"]+)["'];?$/gm)].map(
    (match) => match[1] ?? '',
  );
  const packages = imported.filter((name) => !name.startsWith('.') && !isBuiltin(name));
  return [
    ...new Set(
      packages.map((name) =>
        name
          .split('/')
          .slice(0, name.startsWith('@') ? 2 : 1)
          .join('/'),
      ),
    ),
  ];
}

test('the build needs no development package and no source', () => {
  const { packages: installed } = JSON.parse(read('package-lock.json')) as Lock;
  for (const file of ['build/start.js', 'build/server/index.js']) {
    const packages = packagesOf(read(file));
    expect(packages.length).toBeGreaterThan(2);
    const missing = packages.filter((name) => installed[`node_modules/${name}`]?.dev !== undefined);
    expect(missing).toEqual([]);
    for (const folder of ['server/', 'preview/', 'app/', 'core/', 'scripts/'])
      expect(read(file)).not.toMatch(new RegExp(`(?:from|import\\()\\s*["'][./]*${folder}`));
  }
  for (const name of ['bridge', 'boot', 'worker', 'probe'])
    expect(existsSync(join(ROOT, 'build/preview', `${name}.js`))).toBe(true);
});

test('answers are compressed, and files with a hash in their name are kept', async ({ request }) => {
  const page = await request.get('/', { headers: { 'Accept-Encoding': 'gzip' } });
  expect(page.headers()['content-encoding']).toBe('gzip');
  const entry = /\/assets\/entry\.client-[\w-]+\.js/.exec(await page.text())?.[0];
  const script = await request.get(entry ?? '/none', { headers: { 'Accept-Encoding': 'gzip' } });
  expect(script.headers()['content-encoding']).toBe('gzip');
  expect(script.headers()['cache-control']).toMatch(/max-age=31536000.*immutable/);
});
