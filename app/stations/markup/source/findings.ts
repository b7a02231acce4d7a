/** Findings at their places in the source, with their fixes. */
import type { Diagnostic } from '@codemirror/lint';
import type { FindingView, FixView } from '~core/view/index.ts';
import type { LineBreaks } from './crlf';

export type Mend = (finding: string, n: number, fix: FixView) => void;

export function diagnosticsOf(
  findings: readonly FindingView[],
  path: string,
  length: number,
  breaks: LineBreaks,
  mend: Mend,
): Diagnostic[] {
  return findings.flatMap((finding): Diagnostic[] => {
    const { place } = finding;
    if (place.path !== path || place.start === null) return [];
    const from = Math.min(breaks.toEditor(place.start), length);
    return [
      {
        from,
        to: Math.max(from, Math.min(breaks.toEditor(place.end ?? place.start), length)),
        severity: finding.severity,
        message: `${finding.says} ${finding.why}`,
        actions: finding.fixes.map((fix, n) => ({ name: fix.label, apply: () => mend(finding.id, n, fix) })),
      },
    ];
  });
}
