/** The joints of a strand: what stands at each, and whether it is whole. */
import { attributeOf, type PageDocument, type PageElement, type Range } from '../markup/index.ts';
import type { PageWiring } from '../wiring/index.ts';

export const JOINTS = ['thumbnail', 'image', 'link', 'viewer', 'full-size'] as const;
export type JointName = (typeof JOINTS)[number];

/** `look` is whole for a visitor but asks for attention; `none` is not there and need not be. */
export type JointState = 'whole' | 'look' | 'broken' | 'none';

export interface Joint {
  name: JointName;
  state: JointState;
  /** What stands there: a path, a line, a marker. */
  shows: string;
  /** What is the case, where it is not whole. */
  says: string;
  place: { path: string; line: number; range: Range | null } | null;
}

export interface PageContext {
  path: string;
  /** The path that its addresses count from. */
  base: string;
  document: PageDocument;
  wiring: PageWiring;
}

export function placeOf(page: PageContext, element: PageElement | null, attribute?: string): Joint['place'] {
  if (!element?.range) return null;
  const range = (attribute && attributeOf(element, attribute)?.range) || element.open || element.range;
  return { path: page.path, line: page.document.lines.lineAt(range.start), range };
}

export function joint(name: JointName, state: JointState, shows: string, says: string, place: Joint['place']): Joint {
  return { name, state, shows, says, place };
}
