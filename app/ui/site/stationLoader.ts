/** What every station's address is checked for before it is shown. */
import { replace, type ClientLoaderFunctionArgs } from 'react-router';
import { placeIn, searchOf, type Place } from './address';

/** Sheets that every station has. */
const SHELL_SHEETS: readonly string[] = ['find', 'files', 'history', 'replace', 'keys'];

interface Known {
  /** Whether the station has that tab. */
  hasTab?: (place: Place) => boolean;
  /** The same for the sheet over it. */
  hasSheet?: (place: Place) => boolean;
}

const never = () => false;

/**
 * A loader for a station: what an address names and the station does not have is taken out of it.
 * @throws a redirection to the address without it.
 */
export function stationLoader({ hasTab = never, hasSheet = never }: Known) {
  return ({ request }: ClientLoaderFunctionArgs): null => {
    const { pathname, searchParams } = new URL(request.url);
    const place = placeIn(searchParams);
    const right = { ...place };
    if (place.tab !== null && !hasTab(place)) right.tab = null;
    if (place.sheet !== null && !SHELL_SHEETS.includes(place.sheet) && !hasSheet(place)) {
      right.sheet = null;
      right.of = null;
    }
    // The router's own way to lead elsewhere.
    // eslint-disable-next-line @typescript-eslint/only-throw-error
    if (searchOf(right) !== searchOf(place)) throw replace(pathname + searchOf(right));
    return null;
  };
}
