/** How source text looks, and which language a file is in. */
import { css } from '@codemirror/lang-css';
import { html } from '@codemirror/lang-html';
import { javascript } from '@codemirror/lang-javascript';
import { markdown } from '@codemirror/lang-markdown';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { isMarkdownPath } from '~core/site/index.ts';
import { color, MONO, SANS } from '../../../ui/theme';

const frame = EditorView.theme({
  '&': { height: '100%', fontSize: '12.5px', backgroundColor: color('paper'), color: color('peat') },
  '&.cm-focused': { outline: `2px solid ${color('heather')}`, outlineOffset: '-2px' },
  '.cm-scroller': { fontFamily: MONO, lineHeight: '20px' },
  '.cm-gutters': { backgroundColor: color('paper'), color: color('stone'), border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'transparent' },
  '&.cm-focused .cm-activeLine': { backgroundColor: color('mist') },
  '.hm-lit, &.cm-focused .hm-lit.cm-activeLine': { backgroundColor: color('heatherWash') },
  '@media (forced-colors: active)': { '.hm-lit': { borderLeft: '3px solid Highlight' } },
  '.hm-hint': { boxShadow: `inset 3px 0 0 ${color('heather')}` },
  '.cm-cursor': { borderLeftColor: color('peat') },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: `${color('heatherWash')} !important`,
  },
  '.cm-panels': { backgroundColor: color('mist'), color: color('peat') },
  '.cm-tooltip': {
    backgroundColor: color('paper'),
    color: color('peat'),
    border: `1px solid ${color('edge')}`,
    borderRadius: '4px',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': { fontFamily: MONO, fontSize: '12px', maxHeight: '14em' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]': {
    backgroundColor: color('heatherWash'),
    color: color('peat'),
  },
  '.cm-completionMatchedText': { textDecoration: 'none', color: color('heather'), fontWeight: 600 },
  '.cm-completionDetail': { color: color('stone'), fontStyle: 'normal' },
  '.cm-completionInfo': { padding: '6px', lineHeight: 0 },
  '.cm-completionInfo img': { maxWidth: '200px', maxHeight: '150px', display: 'block' },
  '.cm-diagnostic': {
    fontFamily: SANS,
    fontSize: '0.8125rem',
    borderLeft: 'none',
    padding: '8px 10px',
    maxWidth: '420px',
    whiteSpace: 'normal',
  },
  '.cm-diagnosticAction': {
    font: 'inherit',
    fontWeight: 600,
    backgroundColor: color('paper'),
    color: color('peat'),
    border: `1px solid ${color('edge')}`,
    borderRadius: '4px',
    padding: '3px 9px',
    margin: '6px 6px 0 0',
    cursor: 'pointer',
  },
  '.cm-lintRange-error': {
    backgroundImage: 'none',
    textDecoration: `underline wavy ${color('rust')} 1px`,
    textUnderlineOffset: '3px',
  },
  '.cm-lintRange-warning': {
    backgroundImage: 'none',
    textDecoration: `underline dashed ${color('gorse')} 1px`,
    textUnderlineOffset: '3px',
  },
  '.cm-lintRange-active': { backgroundColor: color('gorseWash') },
  '.cm-gutter-lint': { width: '14px' },
  '.cm-gutter-lint .cm-gutterElement': { padding: '0 2px' },
  '.cm-lint-marker': { width: '9px', height: '9px', marginTop: '5px' },
  // Two shapes, so that colour is not all that tells them apart; the same as on the strand rail.
  '.cm-lint-marker-error': {
    content: '""',
    backgroundColor: color('rustWash'),
    border: `1.5px solid ${color('rust')}`,
    transform: 'rotate(45deg) scale(0.8)',
  },
  '.cm-lint-marker-warning': {
    content: '""',
    backgroundColor: color('gorseWash'),
    border: `1.5px solid ${color('gorse')}`,
  },
});

const colours = HighlightStyle.define([
  { tag: [tags.tagName, tags.keyword, tags.angleBracket], color: color('heather') },
  { tag: [tags.attributeName, tags.propertyName], color: color('lichen') },
  { tag: [tags.attributeValue, tags.string], color: color('gorse') },
  { tag: [tags.comment, tags.meta], color: color('stone'), fontStyle: 'italic' },
  { tag: tags.heading, fontWeight: '600' },
  { tag: tags.strong, fontWeight: '600' },
  { tag: tags.emphasis, fontStyle: 'italic' },
  { tag: [tags.number, tags.color, tags.unit], color: color('rust') },
]);

export const look: Extension = [frame, syntaxHighlighting(colours)];

export function languageFor(path: string): Extension {
  if (/\.css$/i.test(path)) return css();
  if (isMarkdownPath(path)) return markdown();
  return /\.m?js$/i.test(path) ? javascript() : html({ autoCloseTags: false });
}
