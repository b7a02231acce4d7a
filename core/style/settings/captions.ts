/** Room for captions, so that items with longer ones keep their rows in line. */
import { inheritedFor } from '../cascade.ts';
import { displayOf, type Layout } from '../layout.ts';
import { short } from '../values.ts';
import { declared, type Setting } from './setting.ts';

/** What browsers take for `normal` (CSS Inline 3 §4.2 advises 1.0 to 1.2). */
const NORMAL = 1.2;

/** Height of a line in em. A length or share is told in the terms of the number it stands for, as far as it is one. */
function lineHeight({ situation, parts }: Layout): number {
  const [caption] = parts.caption;
  const said =
    inheritedFor(situation, caption, 'line-height') ??
    /\/\s*([\d.]+)/.exec(inheritedFor(situation, caption, 'font') ?? '')?.[1] ??
    '';
  const number = Number(said);
  if (said !== '' && number > 0) return number;
  if (said.endsWith('%')) return parseFloat(said) / 100;
  return said.endsWith('em') ? parseFloat(said) : NORMAL;
}

export const CAPTIONS: readonly Setting[] = [
  {
    id: 'caption-lines',
    group: 'Captions',
    title: 'Caption height',
    purpose: 'caption height',
    field: { kind: 'lines' },
    read: (layout) => {
      const one = declared(layout, 'caption', 'min-height');
      const em = /^([\d.]+)em$/.exec(one.value ?? '')?.[1];
      return { ...one, value: em ? String(Math.round(Number(em) / lineHeight(layout))) : one.value };
    },
    wishes: (layout, value) => {
      if (value === null || value === '0') return [{ role: 'caption', property: 'min-height', value: null }];
      if (!/^[1-9]$/.test(value)) return 'Give a number of lines from 1 to 9, or 0 for none.';
      const height = `${short(Number(value) * lineHeight(layout))}em`;
      return [
        { role: 'caption', property: 'min-height', value: height },
        ...(displayOf(layout.situation, layout.parts.caption[0]) === 'inline'
          ? [{ role: 'caption' as const, property: 'display', value: 'block' }]
          : []),
      ];
    },
    idle: ({ parts, gallery }) =>
      parts.caption.length === gallery.items.length ? null : 'Not every item has an element for its caption.',
  },
];
