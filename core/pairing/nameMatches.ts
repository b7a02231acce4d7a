/** Thumbnails and full-size files whose names say that they belong together. */
import { folderOf, grouped, stemOf } from '../site/index.ts';
import { readName, type NameReading } from './names.ts';

/** `anna_s.jpg` alone is a name; beside `anna.jpg` it is a thumbnail. */
export function demoteWeak(readings: Map<string, NameReading>): void {
  const strong = new Set(
    [...readings.values()].filter((reading) => reading.role === 'full-size').map((reading) => reading.key),
  );
  for (const [path, reading] of readings) {
    if (reading.weak && !strong.has(reading.key))
      readings.set(path, {
        ...readName(`${folderOf(path)}x`),
        bare: stemOf(path).toLowerCase(),
        key: path.toLowerCase(),
        role: 'full-size',
        form: '',
      });
  }
}

interface NameMatch {
  thumbnail: string;
  full: string;
  rule: string;
  by: 'key' | 'bare';
}

/** First where only the size word differs; then the same bare name anywhere, if there is just one that is free. */
export function nameMatches(
  paths: readonly string[],
  readings: ReadonlyMap<string, NameReading>,
  off: ReadonlySet<string>,
): NameMatch[] {
  const matches: NameMatch[] = [];
  const of = (role: NameReading['role']) => paths.filter((path) => readings.get(path)?.role === role);
  const free = { thumbnails: new Set(of('thumbnail')), fulls: new Set(of('full-size')) };
  for (const by of ['key', 'bare'] as const) {
    const nameOf = (path: string) => readings.get(path)?.[by] ?? '';
    const byName = grouped([...free.fulls], nameOf);
    for (const thumbnail of [...free.thumbnails]) {
      const namesakes = byName.get(nameOf(thumbnail)) ?? [];
      const candidates = by === 'key' ? namesakes : namesakes.filter((full) => free.fulls.has(full));
      if (candidates.length === 0 || (by === 'bare' && candidates.length > 1)) continue;
      free.thumbnails.delete(thumbnail);
      for (const full of candidates) {
        const rule = `${readings.get(thumbnail)?.form} ↔ ${readings.get(full)?.form}`;
        if (off.has(rule)) continue;
        free.fulls.delete(full);
        matches.push({ thumbnail, full, by, rule });
      }
    }
  }
  return matches;
}
