/** Findings of the small sites of tests, whose heads lack what only a whole site has. */
import { findingsOf } from '../core/checks/index.ts';
import type { SiteReading } from '../core/model/index.ts';

const OF_HEADS = new Set(['viewport-missing', 'description-missing', 'icon-missing']);

export const faultsOf = (site: SiteReading) => findingsOf(site).filter(({ rule }) => !OF_HEADS.has(rule));
