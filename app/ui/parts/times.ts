/** Times as people read them. */
import dayjs from 'dayjs';
import relativeTime from 'dayjs/plugin/relativeTime';

dayjs.extend(relativeTime);

/** When a photograph was taken, as its camera noted it without a time zone: `2026-06-20, 09:13`, or only the day. */
export const sayTaken = (takenAt: string): string =>
  dayjs(takenAt).format(takenAt.includes('T') ? 'YYYY-MM-DD, HH:mm' : 'YYYY-MM-DD');

/** A month of ISO: `June 2026` for `2026-06`. */
export const sayMonth = (month: string): string => dayjs(`${month}-01`).format('MMMM YYYY');

/** How long ago, from ms since 1970: `3 hours ago`. */
export const sayAgo = (time: number, now: number): string => dayjs(time).from(now);

/** Day and time, from ms since 1970: `27 Nov 2026, 04:31`. */
export const sayWhen = (time: number): string => dayjs(time).format('D MMM YYYY, HH:mm');
