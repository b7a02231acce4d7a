/** What pairing takes and gives. */
import { type NamingRule } from '../site/index.ts';
import { type Place } from '../photo/index.ts';
import { type Content, type ContentMemory, type Pace } from './content.ts';
export type PairState =
  | 'sure'
  | 'case differs'
  /** By name only: what the pictures show does not settle it. */
  | 'name only'
  /** By name or page, but the pictures differ. */
  | 'another picture'
  /** By content only: the names say otherwise or nothing. */
  | 'content only'
  /** Several full-size pictures show what the thumbnail shows. */
  | 'several'
  | 'no thumbnail'
  | 'swapped'
  /** The same picture is there twice. */
  | 'twice'
  | 'unreadable';

/** A page's own markup that shows one file and links to the other. */
export interface PageEvidence {
  page: string;
  line: number;
  thumbnail: string;
  full: string;
}

/** What was decided by hand of two files. */
export interface Decision {
  thumbnail: string;
  full: string;
  belong: boolean;
}

export interface Reason {
  kind: 'name' | 'page' | 'made' | 'content' | 'hand';
  /** Readable: a naming rule, a page's line. */
  says: string;
}

export interface Pair {
  id: string;
  name: string;
  thumbnail: string | null;
  full: string;
  state: PairState;
  restsOn: Reason[];
  /** Where the thumbnail was taken from and how well both agree; null where that is not known. */
  crop: Place | null;
  /** Where the thumbnail is not of this picture: the picture that it does show. */
  shows?: string;
  /** Other full-size pictures that the thumbnail may be of, or that are the same picture. */
  others: string[];
}

export interface Pairing {
  pairs: Pair[];
  /** Thumbnails without a full-size picture. */
  loose: string[];
  /** Thumbnails whose picture is still to be searched for. */
  unsearched: number;
  /** Full-size files that show the same, in groups; the largest first. */
  alike: string[][];
  /** Full-size files that show the same, but edited; in groups, the largest first. */
  similar: string[][];
  /** The naming rules found, commonest first, and how many pairs follow each. */
  rules: { says: string; count: number }[];
}

export interface PairingInput {
  paths: readonly string[];
  /** Null while a picture has not been looked at. */
  contentOf: (path: string) => Content | null;
  evidence: readonly PageEvidence[];
  decisions?: readonly Decision[];
  /** Files that were made here of one picture. */
  made?: readonly { thumbnail: string; full: string }[];
  /** Naming rules somebody wrote, and found ones that are not to be used, as they are said. */
  naming?: { own: readonly NamingRule[]; off: readonly string[] };
  /** Thumbnails whose full-size picture is at an outside address; they have their partner. */
  elsewhere?: ReadonlySet<string>;
  memory?: ContentMemory;
  pace?: Pace;
}
