/** Laid into a previewed page when its accessibility is asked for: axe-core, with what it finds and at which elements. */
import axe from 'axe-core';
import type { AuditedRule } from './audited.ts';
import { textOverPictures } from './contrast.ts';

/**
 * All rules that axe-core runs by itself, and what it cannot say: text over pictures. What stands in frames is of other
 * pages.
 */
async function audit(): Promise<AuditedRule[]> {
  const { violations } = await axe.run(document, { iframes: false, elementRef: true, resultTypes: ['violations'] });
  const found = violations.map(({ id, impact, help, nodes }) => ({
    rule: id,
    impact: impact ?? null,
    says: help,
    nodes: nodes.map(({ element, html, failureSummary }) => ({
      element: element ?? null,
      html,
      summary: failureSummary ?? '',
    })),
  }));
  return [...found, ...textOverPictures()];
}

export type Audit = typeof audit;

// It puts its name into the window, which is the page's own.
Reflect.deleteProperty(window, 'axe');
Object.defineProperty(window, 'heathmoorAudit', { value: audit, configurable: true });
