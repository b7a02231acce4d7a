/** Pages of words out of Debian packages, and where they lie once those are installed. */
import { DRAWING, type LabelledPage, LIBRARY } from './labels.ts';
import { DRAWING_TOO, JOINING, JOINING_TOO, PLOTTING } from './unseen.ts';

export interface Collection {
  what: string;
  folder: string;
  pages: readonly LabelledPage[];
  encoding?: 'latin1';
  /** Makes of a page what a browser would, had its author not gone wrong there. */
  mended?: (text: string) => string;
}

/** An iframe that is closed like an element of XML swallows the rest of these pages in a browser. */
const withoutIframe = (text: string): string => text.replace(/<iframe[^>]*\/>/, '');

export const COLLECTIONS: readonly Collection[] = [
  {
    what: 'the manual of an image library',
    folder: '/usr/share/doc/imagemagick-6-common/html/www',
    pages: LIBRARY,
    mended: withoutIframe,
  },
  {
    what: 'the manual of a drawing program',
    folder: '/usr/share/doc/xfig/html',
    pages: DRAWING,
    encoding: 'latin1',
  },
  {
    what: 'one more page of it, unseen',
    folder: '/usr/share/doc/xfig/html',
    pages: DRAWING_TOO,
    encoding: 'latin1',
  },
  {
    what: 'help of a program that joins photographs, unseen',
    folder: '/usr/share/hugin/xrc/data/help_en_EN',
    pages: JOINING,
  },
  {
    what: 'more of that help',
    folder: '/usr/share/hugin/xrc/data/help_en_EN',
    pages: JOINING_TOO,
  },
  {
    what: 'the manual of a plotting language, unseen',
    folder: '/usr/share/doc/gri/html',
    pages: PLOTTING,
  },
];
