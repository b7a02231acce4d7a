/** The stations in the order of the work. */
import type { Station } from '~core/checks/index.ts';

interface StationEntry {
  id: Station;
  name: string;
  /** What is found out there; it stands under the name. */
  question: string;
  /** Key with Alt. */
  key: string;
}

export const STATIONS: readonly StationEntry[] = [
  { id: 'pairs', name: 'Pairs', question: 'Which thumbnail belongs to which full-size picture?', key: '1' },
  { id: 'markup', name: 'Markup', question: 'Is the page written the way you want it?', key: '2' },
  { id: 'wiring', name: 'Wiring', question: 'Will a click open the right picture?', key: '3' },
  { id: 'proof', name: 'Proof', question: 'Does it work for a visitor?', key: '4' },
  { id: 'pack', name: 'Pack', question: 'What do you upload?', key: '5' },
];
