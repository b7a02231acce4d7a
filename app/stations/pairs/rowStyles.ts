/**
 * Styles of the pair rows, given once to their list: a list of thousands cannot afford to work them out for every
 * part of every row.
 */
import { STACKED } from '../../ui/narrow';
import { BARE } from '../../ui/parts/pressable';
import { IN_HAND } from '../../ui/parts/inHand';
import { color, MONO } from '../../ui/theme';

const SMALL = { width: 76, height: 56 };
export const LARGE = { width: 92, height: 60 };

const centred = { display: 'grid', placeItems: 'center' };

export const ROW_STYLES = {
  m: 0,
  p: 0,
  listStyle: 'none',
  // Rows that come and go do not make the browser look at their neighbours: no rule asks for the first, and nothing
  // leaves a row.
  '& > li': { borderTop: `1px solid ${color('hair')}`, marginTop: '-1px', contain: 'layout style paint' },
  '& > li.chosen': IN_HAND,
  '& > li.onto': { backgroundColor: color('gorseWash') },
  '& .pair': {
    ...BARE,
    margin: 0,
    display: 'grid',
    gridTemplateColumns: '84px 40px 96px minmax(0, 1fr) 210px 130px',
    alignItems: 'center',
    gap: '10px',
    width: '100%',
    minHeight: '68px',
    padding: '4px 12px',
  },
  '& li:not(.chosen) .pair:hover': { backgroundColor: color('mist') },
  '& .pair:focus-visible': { outline: `2px solid ${color('heather')}`, outlineOffset: '-2px' },
  // What it rests on and how it stands come below the names.
  [STACKED]: {
    '& .pair': { gridTemplateColumns: '84px 32px 96px minmax(0, 1fr)' },
    '& .pair > .grounds, & .pair > .state': { gridColumn: 4, textAlign: 'left' },
    '& .pair > .end, & .pair > .large, & .pair > svg': { gridRow: '1 / span 3' },
    '& .pair > .end': { gridColumn: 1 },
    '& .pair > svg': { gridColumn: 2 },
    '& .pair > .large': { gridColumn: 3 },
  },
  '& .end': { justifySelf: 'end' },
  '& .small': { ...centred, ...SMALL },
  '& .large': { ...centred, ...LARGE, position: 'relative' },
  '& .small.empty': { border: `1px dashed ${color('edge')}`, borderRadius: '2px' },
  '& .small img': { display: 'block', borderRadius: '2px', maxWidth: SMALL.width, maxHeight: SMALL.height },
  '& .large img': { display: 'block', borderRadius: '2px', maxWidth: LARGE.width, maxHeight: LARGE.height },
  '& .crop': {
    position: 'absolute',
    boxSizing: 'border-box',
    border: '1px solid #fff',
    outline: '1.5px solid #2A2320',
  },
  '& .names': { minWidth: 0, lineHeight: 1.5, fontFamily: MONO, fontSize: '0.78rem', overflowWrap: 'anywhere' },
  '& .quiet': { color: color('stone') },
  '& .grounds': { fontSize: '0.8125rem' },
  '& .grounds .quiet': { fontSize: '0.75rem', overflowWrap: 'anywhere' },
  '& .state': { textAlign: 'right', fontSize: '0.75rem', color: color('stone') },
  '& .state div': { marginTop: '4px' },
  '& .tag': { borderRadius: '3px', padding: '2px 6px', fontWeight: 600, whiteSpace: 'nowrap' },
  '& .tag.plain': { color: color('stone'), backgroundColor: color('mist') },
  '& .tag.whole': { color: color('lichen'), backgroundColor: color('lichenWash') },
  '& .tag.look': { color: color('gorse'), backgroundColor: color('gorseWash') },
  '& .tag.broken': { color: color('rust'), backgroundColor: color('rustWash') },
} as const;
