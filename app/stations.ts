/** The stations in the order of the work. */
import type { Station } from '~core/checks/index.ts';

interface StationEntry {
  id: Station;
  name: string;
  /** Key with Alt. */
  key: string;
}

export const STATIONS: readonly StationEntry[] = [
  { id: 'pairs', name: 'Pairs', key: '1' },
  { id: 'markup', name: 'Markup', key: '2' },
  { id: 'wiring', name: 'Wiring', key: '3' },
  { id: 'proof', name: 'Proof', key: '4' },
  { id: 'pack', name: 'Pack', key: '5' },
];
