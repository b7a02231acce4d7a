/** Laid into a page of the test host once it has loaded as it came: so its pictures can be clicked there. */
import { whileWaiting } from './patience.ts';
import { rehearse } from './rehearsal.ts';

export const visitor = { rehearse, whileWaiting };
export type Visitor = typeof visitor;

Object.defineProperty(window, 'heathmoorVisitor', { value: visitor });
