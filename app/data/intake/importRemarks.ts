/** What did not come in as it was, until somebody has read it. Outlives a reload, not the tab. */
import { z } from 'zod';

const Remarks = z.array(z.string());

const keyOf = (siteId: string) => `came-in-otherwise:${siteId}`;

export function saveRemarks(siteId: string, remarks: readonly string[]): void {
  if (remarks.length > 0) sessionStorage.setItem(keyOf(siteId), JSON.stringify(remarks));
}

export function remarksOf(siteId: string): string[] {
  const saved = sessionStorage.getItem(keyOf(siteId));
  return saved === null ? [] : (Remarks.safeParse(JSON.parse(saved)).data ?? []);
}

export const forgetRemarks = (siteId: string): void => sessionStorage.removeItem(keyOf(siteId));
