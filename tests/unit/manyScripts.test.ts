/** Manifests drafted from scripts in ten manners, as they stand and made small. */
import { transformSync } from 'esbuild';
import { describe, expect, it } from 'vitest';
import { draftManifest, readManifest } from '../../core/wiring/index.ts';
import { kitNamed } from '../kits.ts';
import { MANY } from '../wiring/manyScripts.fixture.ts';

const BASE = kitNamed('glow').files['jquery.min.js'] ?? '';

describe.each([
  ['as it stands', (code: string) => code],
  ['made small', (code: string) => transformSync(code, { minify: true }).code],
] as const)('%s', (_, written) => {
  it.each(MANY.map((one) => [one.name, one] as const))('%s', (name, { script, manual, base, says }) => {
    const draft = draftManifest('some', {
      ...(base ? { 'jquery.min.js': BASE } : {}),
      'some.js': written(script),
      ...(manual.startsWith('```') ? { 'README.md': manual } : { 'demo.html': manual }),
    });
    const read = readManifest(draft.manifest);
    if (!read.ok) throw new Error(`${name}: ${read.reason}`);
    const { manifest } = read;
    expect(manifest.marker).toMatchObject(says.marker);
    if (says.group) expect(manifest.group).toEqual(says.group);
    expect(manifest.caption.from).toEqual(says.caption);
    expect(manifest.caption.attribute).toBe(says.captionAttribute);
    if (says.start === null) expect(manifest.start).toBeUndefined();
    else expect(manifest.start).toMatchObject(says.start);
    expect(manifest.files.filter(({ role }) => role === 'script').map((file) => file.name)).toEqual(
      base ? ['jquery.min.js', 'some.js'] : ['some.js'],
    );
    // Nothing is taken without its line.
    const fields = new Set(draft.evidence.map(({ field }) => field));
    expect(fields).toContain('marker');
    if (manifest.caption.from.length > 0) expect(fields).toContain('caption');
    if (manifest.start) expect(fields).toContain('start');
  });
});
