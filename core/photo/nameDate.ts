/** The date in a file's name, as phones and people write it: `IMG_20240511_103344`, `2024-05-11 at the lake`. */

const DATE = /(?<!\d)((?:19|20)\d\d)([-_. ]?)(0[1-9]|1[0-2])\2(0[1-9]|[12]\d|3[01])/;
const TIME = /^(?:[-_. T]| at )?([01]\d|2[0-3])([-_.:h]?)([0-5]\d)(?:[-_.:m]?([0-5]\d))?/;

/** ISO date, with its time where the name says one; null where it says none. */
export function dateInName(stem: string): string | null {
  const found = DATE.exec(stem);
  if (!found) return null;
  const [whole, year = '', , month = '', day = ''] = found;
  const date = `${year}-${month}-${day}`;
  // The calendar has no 31st of June.
  if (new Date(`${date}T00:00:00Z`).getUTCDate() !== Number(day)) return null;
  const rest = stem.slice(found.index + whole.length);
  const time = TIME.exec(rest);
  if (!time) return /^\d/.test(rest) ? null : date;
  const [, hours = '', , minutes = '', seconds = '00'] = time;
  return `${date}T${hours}:${minutes}:${seconds}`;
}
