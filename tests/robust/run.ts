/**
 * `npm run test:robust`: what must not be brought down, tried in numbers. Names of parts choose some. What was tried is
 * counted on from run to run, so that each run tries others.
 */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { archives } from './archives.ts';
import { disk } from './disk.ts';
import { kills } from './kills.ts';
import { memory } from './memory.ts';
import { pages } from './pages.ts';
import { pictures } from './pictures.ts';
import { records } from './records.ts';
import { requests } from './requests.ts';
import { stops } from './stops.ts';
import type { Part, Row } from './part.ts';

const PARTS: readonly Part[] = [stops, records, requests, archives, pages, pictures, kills, disk, memory];

const KEPT = join(dirname(fileURLToPath(import.meta.url)), '../.out/robust.json');
const Tried = z.record(z.string(), z.number());

const tried = existsSync(KEPT) ? Tried.parse(JSON.parse(readFileSync(KEPT, 'utf8'))) : {};
const names = process.argv.slice(2);
const unknown = names.filter((name) => !PARTS.some((part) => part.name === name));
if (unknown.length > 0)
  throw new Error(`There is no part ${unknown.join(', ')}; there are ${PARTS.map(({ name }) => name).join(', ')}.`);

const say = ({ what, tried: all, wrong, note }: Row) =>
  console.log(`${String(wrong).padStart(6)} of ${String(all).padEnd(7)} ${what}${note ? ` (${note})` : ''}`);

let failed = 0;
for (const part of PARTS.filter(({ name }) => names.length === 0 || names.includes(name))) {
  const began = Date.now();
  const rows = await part.run(tried[part.name] ?? 0);
  console.log(
    `\n${part.name}, ${Math.round((Date.now() - began) / 1000)} s, after ${tried[part.name] ?? 0} of earlier runs`,
  );
  for (const row of rows) {
    say(row);
    failed += row.wrong;
  }
  tried[part.name] = (tried[part.name] ?? 0) + (rows[0]?.tried ?? 0);
  mkdirSync(dirname(KEPT), { recursive: true });
  writeFileSync(KEPT, JSON.stringify(tried));
}
process.exit(failed === 0 ? 0 : 1);
