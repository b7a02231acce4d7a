/**
 * What can be done, for whoever looks for it by a word of their own: each action with the words that people use for it,
 * and where it is done.
 */
import type { Target } from '../site/address';

interface ActionEntry {
  /** As its button is called. */
  label: string;
  /** Other words for it, and for what somebody wants who looks for it. */
  words: string;
  to: Target;
  /** What the site must have for it. */
  needs?: 'pages' | 'pictures';
}

export const ACTIONS: readonly ActionEntry[] = [
  {
    label: 'Image sizes',
    words: 'resize scale reduce smaller dimensions quality format convert webp jpeg png avif compress thumbnail width',
    to: { station: 'pairs', sheet: { name: 'sizes' } },
    needs: 'pictures',
  },
  {
    label: 'Close look: crop, rotate, file size',
    words: 'rotate turn straighten level horizon crop cut trim focus point compare quality zoom sideways upside down',
    to: { station: 'pairs', tab: 'pairs' },
    needs: 'pictures',
  },
  {
    label: 'Replace thumbnails',
    words: 'regenerate recreate again small pictures thumbs',
    to: { station: 'pairs', sheet: { name: 'thumbnails' } },
    needs: 'pictures',
  },
  {
    label: 'Naming rules for thumbnails',
    words: 'suffix prefix thumb folder name pattern pair match',
    to: { station: 'pairs', sheet: { name: 'naming' } },
    needs: 'pictures',
  },
  {
    label: 'All pictures',
    words: 'every picture list overview where used tags keywords iptc filter search unused several pages put',
    to: { station: 'pairs', tab: 'all' },
    needs: 'pictures',
  },
  {
    label: 'Follow a list or a folder',
    words: 'csv json xml markdown spreadsheet import pictures from list gallery differences sync export',
    to: { station: 'pairs', tab: 'all' },
    needs: 'pictures',
  },
  {
    label: 'Texts by a rule',
    words: 'captions credits titles pattern template place date camera bulk',
    to: { station: 'pairs', tab: 'all' },
    needs: 'pictures',
  },
  {
    label: 'Pictures from another site',
    words: 'bring copy reuse share between sites',
    to: { station: 'pairs', tab: 'all' },
  },
  {
    label: 'Put pictures into the source',
    words: 'drag drop insert picture image page live cursor place tray all pictures',
    to: { station: 'markup', sheet: { name: 'pictures', of: null } },
    needs: 'pages',
  },
  {
    label: 'Picture group in a text',
    words: 'story essay article report grid columns slideshow float left right wide insert among words',
    to: { station: 'markup', sheet: { name: 'group', of: null } },
    needs: 'pages',
  },
  {
    label: 'Page of all pictures',
    words: 'collection overview everything archive index combine several galleries one page month',
    to: { station: 'pairs', tab: 'all' },
    needs: 'pictures',
  },
  {
    label: 'Text and credits',
    words: 'caption alt text title description copyright credit author metadata csv spreadsheet',
    to: { station: 'pairs', tab: 'words' },
    needs: 'pictures',
  },
  {
    label: 'Order and names of pictures',
    words: 'rename file names numbering sort date taken batch',
    to: { station: 'pairs', tab: 'order' },
    needs: 'pictures',
  },
  {
    label: 'Duplicates',
    words: 'copies same twice similar identical clean up delete',
    to: { station: 'pairs', tab: 'alike' },
    needs: 'pictures',
  },
  {
    label: 'Add pictures to the page',
    words: 'insert gallery new items photos images upload import',
    to: { station: 'markup', sheet: { name: 'add' } },
    needs: 'pages',
  },
  {
    label: 'New page',
    words: 'create copy duplicate page template html file',
    to: { station: 'markup', sheet: { name: 'new-page' } },
  },
  {
    label: 'Page: stylesheets, sections, viewport',
    words: 'css attach link style viewport meta mobile responsive section heading delete page head',
    to: { station: 'markup', sheet: { name: 'page' } },
    needs: 'pages',
  },
  {
    label: 'Menus',
    words: 'navigation nav links entries header current page',
    to: { station: 'markup', sheet: { name: 'menus' } },
    needs: 'pages',
  },
  {
    label: 'Items of the gallery',
    words: 'move copy remove delete select reorder split pages attributes fill',
    to: { station: 'markup', sheet: { name: 'items' } },
    needs: 'pages',
  },
  {
    label: 'Layout',
    words: 'css columns grid gap spacing responsive breakpoint width captions flex',
    to: { station: 'markup', tab: 'layout' },
    needs: 'pages',
  },
  {
    label: 'Add a viewer',
    words: 'lightbox slideshow carousel slider script popup zoom javascript overlay',
    to: { station: 'wiring', sheet: { name: 'viewer' } },
    needs: 'pages',
  },
  {
    label: 'Options of the viewer',
    words: 'autoplay arrows dots transition speed seconds overlay color height counter captions slideshow lightbox',
    to: { station: 'wiring', sheet: { name: 'options' } },
    needs: 'pages',
  },
  {
    label: 'Rehearse the page',
    words: 'test click try check lightbox preview browser',
    to: { station: 'wiring', sheet: { name: 'rehearsal', runs: true } },
    needs: 'pages',
  },
  {
    label: 'Paste lines from a manual',
    words: 'code snippet script embed install plugin',
    to: { station: 'wiring', sheet: { name: 'pasted' } },
    needs: 'pages',
  },
  {
    label: 'Findings: errors and warnings',
    words: 'validate broken links missing accessibility check problems proof',
    to: { station: 'proof' },
  },
  {
    label: 'Offer WebP beside JPEG',
    words: 'picture source format lighter smaller bytes convert avif modern',
    to: { station: 'pack' },
    needs: 'pages',
  },
  {
    label: 'Page weight',
    words: 'size bytes speed slow loading time limit budget kilobytes lazy',
    to: { station: 'proof', tab: 'weight' },
    needs: 'pages',
  },
  {
    label: 'Download the files to upload',
    words: 'export publish ftp zip pack host deploy save',
    to: { station: 'pack' },
  },
  {
    label: 'Link a folder on this computer',
    words: 'sync disk save local directory editor compare merge conflict changed outside import again',
    to: { station: 'pack' },
  },
  {
    label: 'Save one page into a larger site',
    words: 'part subfolder export single page add to existing site integrate',
    to: { station: 'pack' },
    needs: 'pages',
  },
  {
    label: 'Find and replace',
    words: 'search text all files change word',
    to: { sheet: { name: 'replace' } },
  },
  { label: 'All site files', words: 'folder list explorer', to: { sheet: { name: 'files' } } },
  { label: 'History', words: 'undo back changes restore point version', to: { sheet: { name: 'history' } } },
  { label: 'Show the keys', words: 'shortcuts keyboard help', to: { sheet: { name: 'keys' } } },
];
