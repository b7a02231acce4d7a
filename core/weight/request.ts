/** What a page asks a host for, and when a browser comes to know of it. */
import type { PageElement } from '../markup/index.ts';

export type RequestKind = 'page' | 'stylesheet' | 'script' | 'picture' | 'font' | 'frame' | 'other';

/** From what is fetched first to what is fetched last; the names are those of the browsers' own tools. */
export const PRIORITIES = ['highest', 'high', 'medium', 'low', 'lowest'] as const;
export type Priority = (typeof PRIORITIES)[number];

/**
 * When it is asked for:
 * `scan` – as soon as the text of its page has come that far: browsers read ahead of scripts that hold them up;
 * `parse` – when the page is built up to there, which scripts hold up;
 * `loaded` – when the file that names it is there;
 * `layout` – when the page is laid out for the first time;
 * `idle` – when all else is there;
 * `scrolled` – when it comes near the window.
 */
export type When = 'start' | 'scan' | 'parse' | 'loaded' | 'layout' | 'idle' | 'scrolled';

export interface PageRequest {
  /** Site path. */
  path: string;
  /** Of the body as the host sends it, uncompressed; 0 where the file is missing. */
  bytes: number;
  /** The host has no such file. */
  missing: boolean;
  kind: RequestKind;
  priority: Priority;
  when: When;
  /** The request whose file names it; null for the page itself. */
  by: PageRequest | null;
  /** How many bytes of that file have to be there; 0 where all of it has. */
  from: number;
  /** Of a page: how many of its bytes come before its body. */
  head: number;
  /** The first layout waits for it. */
  holdsLayout: boolean;
  /** The parser waits for it. */
  holdsParser: boolean;
  /** It runs before the page counts as read, so that nothing answers a click before. */
  holdsClicks: boolean;
  /** The element that asks for it, where one of the page does. */
  element: PageElement | null;
  /** Where it is written; offset into the text of that file. */
  place: { path: string; offset: number };
  /** In sight when the page is laid out for the first time. */
  inSight: boolean;
}
