/** HTML of one folder for a page of another. */
import { parsePage } from '../../markup/index.ts';
import { folderOf } from '../../site/index.ts';
import { leadOf, writtenAs } from '../leads.ts';
import { addressesOfPage } from '../siteAddresses.ts';

/** Addresses that count from `from`, as they count from `to`; the files that they lead to are the same. */
export function rebased(html: string, from: string, to: string): string {
  if (folderOf(from) === folderOf(to)) return html;
  let written = '';
  let at = 0;
  for (const address of [...addressesOfPage(parsePage(html))].sort((a, b) => a.range.start - b.range.start)) {
    const { value, range, certain, unplaced } = address;
    const lead = certain && !unplaced && !/^\s*(?:#|$)/.test(value) ? leadOf(value, from, null) : null;
    if (lead?.form !== 'relative' || range.start < at) continue;
    written += html.slice(at, range.start) + address.write(writtenAs(lead, value, to, lead.path, null));
    at = range.end;
  }
  return written + html.slice(at);
}
