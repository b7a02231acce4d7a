import { readFileSync } from 'node:fs';
import { readSite } from '../core/model/index.ts';
import { type FileContent, resolveInSite, applyChange } from '../core/site/index.ts';
import { groupsOf, rangeOf } from '../core/story/index.ts';
import { planFor } from '../core/plans/index.ts';
import { KITS } from './kits.ts';
import { ON_GROUPS } from './strangers/onGroups.ts';
const [, , path = '', only = '', n0 = ''] = process.argv;
const text = readFileSync(path, path.includes('xfig') ? 'latin1' : 'utf8');
const name = path.split('/').pop()!;
const files = new Map<string, FileContent>([[name, { kind: 'text', text }]]);
for (const [, address = ''] of text.matchAll(/<(?:img|a)\b[^>]*?(?:src|href)\s*=\s*"?([^"\s>]+)/gi)) {
  const target = resolveInSite(address, name);
  if (target.kind === 'file' && /\.(?:jpe?g|png|gif)$/i.test(target.path))
    files.set(target.path, { kind: 'binary', hash: target.path, bytes: 1000 });
}
const site = readSite(files, new Map(), KITS);
const page = site.pages[0]!;
for (const [n, group] of groupsOf(page).entries()) {
  if (n0 !== '' && Number(n0) !== n) continue;
  const r = rangeOf(page.document, group);
  console.log(`--- group ${n} in <${group.gallery.container.tag}>`, JSON.stringify(page.text.slice(r.start, r.end).slice(0, 300)));
  for (const [what, trialOf] of Object.entries(ON_GROUPS)) {
    if (!what.includes(only)) continue;
    const trial = trialOf({ site, page, pick: () => 0 }, group, n);
    if (!trial) continue;
    const planned = planFor(site, trial.intent);
    if (!planned.ok) { console.log(what, 'REFUSED', planned.reason); continue; }
    const applied = applyChange(site.files, planned.change);
    if (!applied.ok) { console.log('cannot apply'); continue; }
    const t = (m: ReadonlyMap<string, FileContent>) => new Map([...m].flatMap(([p, c]) => (c.kind === 'text' && p.endsWith('.html') ? [[p, c.text] as [string, string]] : [])));
    const wrong = trial.judge(t(site.files), t(applied.files));
    if (wrong) { console.log(what, 'WRONG', wrong); for (const f of planned.change.files) if (f.kind==='edit') for (const e of f.edits) console.log('   ', JSON.stringify(page.text.slice(Math.max(0,e.start-60), e.start)), '|', JSON.stringify(page.text.slice(e.start, e.end)), '->', JSON.stringify(e.text)); }
  }
}
