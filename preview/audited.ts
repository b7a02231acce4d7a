/** What is said of the accessibility of the page in this window. */
export interface AuditedRule {
  rule: string;
  impact: string | null;
  says: string;
  nodes: { element: Element | null; html: string; summary: string }[];
}
