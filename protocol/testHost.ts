/** Between the application and the test host: what the host is to be like, and how full it is. */
import { z } from 'zod';

export const HostSettings = z.strictObject({
  /** Of the line, both ways; kbit/s. Null for as fast as it goes. */
  speed: z.number().int().min(8).max(10_000_000).nullable(),
  /** Before every answer; ms. */
  latency: z.number().int().min(0).max(10_000),
  /** One of so many files that are sent is cut off; null for none. */
  losesOneIn: z.number().int().min(2).max(1_000_000).nullable(),
  /** Bytes that all files may take. */
  quota: z.number().int().min(0).max(20e9),
  /** Nothing may be kept by a browser. */
  cold: z.boolean(),
  /** Pages may ask for what is on other hosts. */
  outside: z.boolean(),
});
export type HostSettings = z.infer<typeof HostSettings>;

export const USUAL_HOST: HostSettings = {
  speed: null,
  latency: 0,
  losesOneIn: null,
  quota: 1e9,
  cold: true,
  outside: false,
};

export const HostState = z.strictObject({
  settings: HostSettings,
  files: z.number().int(),
  bytes: z.number().int(),
  /** Files that came in whole since the host began. */
  written: z.number().int(),
  /** Connections that were cut off since the host began. */
  lost: z.number().int(),
});
export type HostState = z.infer<typeof HostState>;
