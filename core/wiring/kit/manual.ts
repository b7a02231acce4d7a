/**
 * What a viewer's README says of its options, its look and its presets: made from the manifest, so that the two cannot
 * disagree.
 */
import { argumentName, type KitManifest, type KitOption, type OptionValue } from './manifest.ts';

const cell = (text: string): string => text.replaceAll('|', '\\|');

/** An option's value as an attribute says it. */
export const asAttribute = (value: OptionValue): string => {
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  return String(value);
};

/** What would end a text in a script, or the script element around it. */
const ESCAPES: readonly (readonly [RegExp, string])[] = [
  [/[\\']/g, '\\$&'],
  [/\r\n?|\n/g, '\\n'],
  [/<(?=[/!])/g, '\\x3c'],
];

/** An option's value as a script says it. */
export const asArgument = (value: OptionValue): string =>
  typeof value === 'string'
    ? `'${ESCAPES.reduce((text, [what, written]) => text.replace(what, written), value)}'`
    : String(value);

function possible({ type, values, unit, min, max }: KitOption): string {
  if (type === 'switch') return '"on" or "off"';
  if (type === 'choice')
    return (values ?? [])
      .filter((value) => value !== '')
      .map((value) => `"${value}"`)
      .join(' or ');
  if (type === 'text') return '"…"';
  return `"…"${min === undefined || max === undefined ? '' : `, ${min} to ${max}${unit === undefined ? '' : ` ${unit}`}`}`;
}

function without({ without: value }: KitOption): string {
  if (value === '') return 'none';
  return typeof value === 'string' ? `\`${value}\`` : asAttribute(value);
}

function optionRow(option: KitOption, prefix: string): string {
  const { name, each, says } = option;
  const [first = '', ...rest] = possible(option).split(', ');
  const written = `\`${prefix}${name}=${first}\`${rest.length > 0 ? `, ${rest.join(', ')}` : ''}`;
  const other = option.type === 'switch' ? asArgument(option.without !== true) : '…';
  const call = each ? '' : `\`{ ${argumentName(name)}: ${other} }\``;
  return `| ${cell(written)} | ${call} | ${cell(says)} | ${cell(without(option))} |`;
}

/** The tables of a README, in Markdown. */
function manualOf({ options, prefix, marker, start, look, looksAlone, presets, words, inherits }: KitManifest): string {
  const lines = [
    '| in the markup | in a start call | meaning | without it |',
    '|---|---|---|---|',
    `| \`${marker.attribute}\` | ${start ? 'first argument: a selector' : ''} | ${
      marker.on === 'link' ? 'the link opens here' : 'what is in this element is meant'
    } | it is left as it is |`,
    ...options.map((option) => optionRow(option, prefix)),
  ];
  if (inherits) lines.push('', 'An option may also stand on an element around what it is for.');
  if (look.length > 0)
    lines.push(
      '',
      `The look is changed by custom properties on \`:root\`${looksAlone ? ', or on the element that is marked' : ''}:`,
      '',
      '| custom property | meaning | without it |',
      '|---|---|---|',
      ...look.map(({ property, says, without: usual }) => `| \`${property}\` | ${cell(says)} | ${cell(usual)} |`),
    );
  if (presets.length > 0)
    lines.push(
      '',
      'Starting points:',
      '',
      ...presets.map(({ title, says, options: set, look: looks }) => {
        const said = [
          ...Object.entries(set).map(([name, value]) => `\`${prefix}${name}="${asAttribute(value)}"\``),
          ...Object.entries(looks).map(([property, value]) => `\`${property}: ${value}\``),
        ];
        return `- **${title}**: ${says}. ${said.join(', ')}`;
      }),
    );
  const named = Object.entries(words);
  if (named.length > 0)
    lines.push(
      '',
      `Its words are English; the script’s tag says others: \`data-words="${named
        .slice(0, 2)
        .map(([name]) => `${name}: …`)
        .join('; ')}"\`. They are ${named.map(([name, word]) => `\`${name}\` (${word})`).join(', ')}.`,
    );
  return lines.join('\n');
}

const BEGIN = '<!-- made from kit.json -->';
const END = '<!-- end -->';

/** A README with its tables brought up to date; null where it has no place for them. */
export function withManual(readme: string, manifest: KitManifest): string | null {
  const at = readme.indexOf(BEGIN);
  const end = readme.indexOf(END, at);
  if (at < 0 || end < 0) return null;
  return `${readme.slice(0, at + BEGIN.length)}\n\n${manualOf(manifest)}\n\n${readme.slice(end)}`;
}
