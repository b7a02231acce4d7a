/** Amounts as people read them, by the CLDR rules that `Intl` holds: sizes of files, counts of things. */

const unit = (name: 'byte' | 'kilobyte' | 'megabyte', digits: number, display: 'short' | 'long' = 'short') =>
  new Intl.NumberFormat('en', {
    style: 'unit',
    unit: name,
    unitDisplay: display,
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
    useGrouping: false,
  });
const BYTES = unit('byte', 0, 'long');
const KILOBYTES = unit('kilobyte', 0);
const FEW_KILOBYTES = unit('kilobyte', 1);
const MEGABYTES = unit('megabyte', 1);

/** A size in bytes: `812 bytes`, `4.2 kB`, `86 kB`, `2.2 MB`; decimal prefixes (SI), as `Intl` has them. */
export function inBytes(bytes: number): string {
  if (bytes < 1000) return BYTES.format(bytes);
  if (bytes < 1e6) return (bytes < 1e4 ? FEW_KILOBYTES : KILOBYTES).format(bytes / 1e3);
  return MEGABYTES.format(bytes / 1e6);
}

/** A size in whole kilobytes, whatever it is: for what is aimed at. */
export const inKilobytes = (bytes: number): string => KILOBYTES.format(bytes / 1000);

const PLURAL = new Intl.PluralRules('en');

/** `1 picture`, `3 pictures`. */
export const countOf = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${PLURAL.select(count) === 'one' ? one : many}`;
