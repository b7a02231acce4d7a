/** What a file's name says of its picture, and what only looks as if it said something. */
import { isPicturePath, stemOf } from '../site/index.ts';

/** A name as words: `reel-box_2` → `Reel box 2`. */
export function wordsFromName(stem: string): string {
  const words = stem.replace(/[-_.+\s]+/g, ' ').trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/**
 * What cameras, phones, scanners and programs put before or behind a number (common practice, no source), and what
 * stands for a picture without saying anything of it (WCAG 2.2, failure F30).
 */
const SAYS_NOTHING = new Set(
  (
    'img image images dsc dscn dscf dscp sam pict pic picture photo foto bild pxl mvimg cimg gopr dji burst pano hdr ' +
    'scan screenshot screen shot untitled unnamed file copy final edit edited original resized web full fullsize ' +
    'exif jpeg jpg png picture dcim default none null ' +
    'large big medium small thumb thumbnail tn th lg sm md wa px at from spacer placeholder graphic'
  ).split(' '),
);

/** Names by the DCF rule (JEITA CP-3461): four free characters, then four digits. */
const CAMERA_NAME = /^(?=.*[a-z])[a-z0-9_]{4}\d{4}$/;

const HASH = /^(?=.*\d)[\da-f-]{8,}$/;

/** What cameras write as the description of every picture (common practice, no source). */
const MAKERS = /^(?:\w+ )*digital camera$|^\w+ dsc$/;

/** Numbers, dates and times, and the letter before or behind one. */
const COUNTED = /^(?:\d+|[a-z])$/;

/** Whether a text is what a camera or a program calls a file, or a word that stands for any picture. */
export function saysNothing(text: string): boolean {
  const lower = text.trim().toLowerCase();
  if (CAMERA_NAME.test(lower.replace(/[\s-]/g, '_')) || HASH.test(lower) || MAKERS.test(lower)) return true;
  const words = lower
    .replace(/([a-z])(?=\d)|(\d)(?=[a-z])/g, '$& ')
    .split(/[\s\-_.+()~]+/)
    .filter(Boolean);
  const named = words.filter((word) => SAYS_NOTHING.has(word)).length;
  return named > 0 && words.every((word) => SAYS_NOTHING.has(word) || COUNTED.test(word));
}

/** What a camera called a file that somebody gave more of a name: `DSC_0117-harbour`. */
const CAMERA_LEADS = /^(?:[a-z]{2,5}[_ -]?\d{3,}(?:[_ -]\d{3,})*)[_ .-]+(?=.*\p{L}{2})/iu;

/** What a name says in words; empty where it is a number or what a camera calls its files. */
export function toldByName(stem: string): string {
  const own = stem.replace(CAMERA_LEADS, (lead) => (saysNothing(lead) ? '' : lead));
  return saysNothing(own) || !/\p{L}/u.test(own) ? '' : wordsFromName(own);
}

/** Letters that people do not put between words, or more hyphens than they do. */
const LIKE_A_FILE = /[_\d]|-.*-/;

const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}\d]+/gu, '');

/** Whether words are no words but the name of one of the files, or what any camera would call one. */
export function isFileName(words: string, paths: readonly (string | null)[]): boolean {
  const text = words.trim();
  if (text === '') return false;
  if (/^\S+$/.test(text) && isPicturePath(text)) return true;
  if (CAMERA_NAME.test(text.toLowerCase().replace(/[\s-]/g, '_'))) return true;
  return paths.some((path) => {
    if (path === null) return false;
    const stem = stemOf(path);
    return (
      (LIKE_A_FILE.test(text) && stem === text) ||
      (/\d/.test(stem) && toldByName(stem) === '' && bare(stem) === bare(text))
    );
  });
}
