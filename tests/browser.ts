/** Debian’s Chromium with the flags under which it runs headless without reaching for the network. */
import { chromium, type Browser } from '@playwright/test';
import { chromiumHere } from '../scripts/chromium.mjs';

export const CHROMIUM = chromiumHere() ?? 'chromium';
export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const launch = (): Promise<Browser> => chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
