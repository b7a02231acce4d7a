import { STATES } from '../markup/index.ts';
import type { Address } from '../addresses/index.ts';
import { leadOf, ledBy, type SiteReading, writtenAs } from '../model/index.ts';
import { LineIndex, nameOf, planEdits } from '../site/index.ts';
import type { Fix, Observation, Rule } from './finding.ts';
import { soughtReferences } from './references.ts';

/** Answered by a host’s programs, or read by nobody any more. */
const NOT_FETCHED = new Set(['action', 'cite', 'classid', 'codebase', 'formaction', 'ping', 'profile']);

/** Links and sources of elements have rules of their own, which know what to do. */
export const placeMissing: Rule = {
  id: 'place-missing',
  station: 'pairs',
  title: 'Every address in stylesheets, lists of sizes, scripts and data leads to a file that is there',
  find: (site) =>
    [...site.addresses].flatMap(([path, addresses]) => {
      const elsewhere = soughtIn(site, path);
      return addresses.flatMap((address) =>
        address.certain && !elsewhere.has(address.range.start) && !NOT_FETCHED.has(address.by)
          ? (observed(site, path, address) ?? [])
          : [],
      );
    }),
};

/** Where the addresses begin that other rules look at. */
function soughtIn(site: SiteReading, path: string): Set<number> {
  const page = site.pages.find((one) => one.path === path);
  return new Set(page ? soughtReferences(page).map(({ attribute }) => attribute.valueRange.start) : []);
}

function observed(site: SiteReading, path: string, address: Address): Observation | null {
  const led = ledBy(address, path, site);
  if (!led || led.lead.form !== 'relative' || led.lead.path === '') return null;
  const { lead, real } = led;
  const other = real !== null && site.index.lookup(lead.path).found === 'other-case';
  if (real !== null && !other) return null;
  const { start, end } = address.range;
  const content = site.files.get(path);
  const line = content?.kind === 'text' ? new LineIndex(content.text).lineAt(start) : null;
  return {
    matter: `${path}:${address.by}:${lead.path}`,
    severity: 'error',
    says: other
      ? `${address.by} asks for ${nameOf(lead.path)}; on disk the file is ${nameOf(real ?? '')}.`
      : `There is no ${lead.path}, which ${address.by} asks for.`,
    why: other
      ? 'It works on most desktops and fails on most hosts, which tell capitals apart.'
      : 'A browser requests it, gets an error, and shows nothing in its place.',
    place: { path, line, start, end },
    strand: null,
    joint: null,
    fixes: fixesFor(site, path, address, real),
  };
}

/** The file that is meant, where only one can be. */
function fixesFor(site: SiteReading, path: string, address: Address, real: string | null): Fix[] {
  const led = ledBy(address, path, site);
  const [twin, ...more] = real === null ? site.index.namesakes(led?.lead.path ?? '') : [real];
  if (!led || address.unplaced || twin === undefined || more.length > 0) return [];
  const written = writtenAs(led.lead, address.value, led.base, twin, site.own);
  if (leadOf(written, led.base, site.own)?.path !== twin) return [];
  return [
    {
      kind: 'change',
      states: STATES.addresses,
      label: `Point the address at ${twin}`,
      plan: () =>
        planEdits(`Point at ${twin} in ${path}`, path, {
          ok: true,
          edits: [{ ...address.range, text: address.write(written) }],
        }),
    },
  ];
}
