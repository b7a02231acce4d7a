/** What is to be told of a site that has just come in, until somebody has read it. Outlives a reload, not the tab. */
import { z } from 'zod';

const Told = z.array(z.string());

const keyOf = (siteId: string) => `came-in-otherwise:${siteId}`;

export function keepTold(siteId: string, notes: readonly string[]): void {
  if (notes.length > 0) sessionStorage.setItem(keyOf(siteId), JSON.stringify(notes));
}

export function toldOf(siteId: string): string[] {
  const kept = sessionStorage.getItem(keyOf(siteId));
  return kept === null ? [] : (Told.safeParse(JSON.parse(kept)).data ?? []);
}

export const forgetTold = (siteId: string): void => sessionStorage.removeItem(keyOf(siteId));
