/** Lines on which a site is tried; speeds and times are our own round values, no source. */
export const LINES = [
  { name: 'fast', title: 'As fast as it goes', speed: null, latency: 0 },
  { name: 'cable', title: 'Cable: 60 Mbit/s', speed: 60_000, latency: 15 },
  { name: '4g', title: '4G: 12 Mbit/s', speed: 12_000, latency: 50 },
  { name: 'phone', title: 'Slow phone: 1.6 Mbit/s', speed: 1600, latency: 200 },
] as const satisfies readonly Line[];

interface Line {
  name: string;
  title: string;
  /** kbit/s; null for no limit. */
  speed: number | null;
  /** Before every answer; ms. */
  latency: number;
}
