/** Each planted wiring fault: found at its place, explained, mended where that is certain, and nothing else found. */
import { describe, expect, it } from 'vitest';
import { faultsOf } from '../faults.ts';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { applyChange, type FileContent } from '../../core/site/index.ts';
import { KITS } from '../kits.ts';
import { FACTS, faultySite, kitFiles, NAMES, wiredPage } from '../wiring/faults.fixture.ts';
import { ALL_FAULTS } from '../wiring/moduleFaults.fixture.ts';

function filesFrom(texts: Record<string, string>): Map<string, FileContent> {
  const pictures = NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]);
  return new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...pictures.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1000 }]),
  ]);
}

const read = (files: ReadonlyMap<string, FileContent>): SiteReading => readSite(files, FACTS, KITS);

const BY_HAND = [
  'none',
  'lightbox',
  'lantern',
  'peephole',
  'sidebay',
  'glow',
  'beam',
  'gleam',
  'flare',
  'gloam',
  'gloss',
  'parade',
];

describe.each(BY_HAND)('a page wired by hand with %s', (kit) => {
  it('has nothing to find', () => {
    const site = read(filesFrom({ 'index.html': wiredPage(kit), ...kitFiles(kit) }));
    expect(faultsOf(site).map(({ rule, says }) => `${rule}: ${says}`)).toEqual([]);
    expect(site.pages[0]?.strands[0]?.map(({ state }) => state)).toEqual(NAMES.map(() => 'whole'));
  });
});

it('there are at least ninety', () => expect(ALL_FAULTS.length).toBeGreaterThanOrEqual(90));

describe.each(ALL_FAULTS.map((fault) => [fault.name, fault] as const))('%s', (_, fault) => {
  const texts = faultySite(fault);
  const looked = () => {
    const site = read(filesFrom(texts));
    const findings = faultsOf(site);
    return { site, findings, finding: findings.find(({ rule }) => rule === fault.rule) };
  };

  it('is found at its place and explained', () => {
    const { findings, finding } = looked();
    if (!finding)
      throw new Error(`Not found; instead: ${findings.map(({ rule, says }) => `${rule}: ${says}`).join(' | ')}`);
    const lines = (texts[finding.place.path] ?? '').split('\n');
    expect(lines[(finding.place.line ?? 0) - 1]).toContain(fault.at);
    expect(finding.why).toMatch(fault.why);
  });

  it(
    fault.fix === null ? 'offers nothing, for only the author can mend it' : 'is mended, and taken back to the letter',
    () => {
      const { site, findings, finding } = looked();
      if (fault.fix === null) return expect(finding?.fixes).toEqual([]);
      const files = filesFrom(texts);
      const n = finding?.fixes.findIndex(({ label }) => fault.fix?.test(label)) ?? -1;
      if (!finding || n < 0)
        throw new Error(`No such fix; instead: ${finding?.fixes.map(({ label }) => label).join(' | ')}`);
      const planned = planFor(site, { kind: 'fix', finding: finding.id, fix: n });
      if (!planned.ok) throw new Error(planned.reason);
      const applied = applyChange(files, planned.change);
      if (!applied.ok) throw new Error(applied.reason);
      const after = faultsOf(read(applied.files));
      // A container missing for each link is found for each; one change mends them all.
      expect(after.filter(({ rule }) => rule === fault.rule).map(({ says }) => says)).toEqual([]);
      // Of a module that is loaded now it is said that it does not work from disk.
      const others = (found: typeof after) =>
        found.filter(({ rule }) => rule === fault.rule || rule !== 'module-from-disk').length;
      expect(others(after)).toBeLessThan(others(findings));
      const back = applyChange(applied.files, applied.inverse);
      expect(back.ok && new Map([...back.files].sort())).toEqual(new Map([...files].sort()));
    },
  );
});
