/** A report of the page in hand, as a file for somebody else. */
import Button from '@mui/material/Button';
import { useState } from 'react';
import { stemOf } from '~core/site/index.ts';
import { save } from '../../data/export';
import { sayWhen } from '../../ui/parts/times';
import { auditedIn } from '../../ui/preview/measure';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { useSite } from '../../ui/site/openSite';
import { AUDIT_WIDTH } from './useAllAudited';

export function SaveReport({ path }: { path: string }) {
  const { session, site, view } = useSite().site;
  const { address } = usePreview();
  const [busy, setBusy] = useState(false);
  // In an exercise a report would give the answer away.
  if (view.exercise) return null;
  const make = async () => {
    setBusy(true);
    try {
      const alone = await session.pictures.pageStandingAlone(path, '');
      await session.validity.check();
      const rules = await auditedIn(address(path), AUDIT_WIDTH);
      const text = await session.analysis.report(path, {
        site: site.name,
        date: sayWhen(Date.now()),
        alone,
        validity: session.validity.of(path).map(({ line, says }) => ({ line, says })),
        accessibility: rules && rules.map(({ says, nodes }) => ({ says, places: nodes.length })),
      });
      save({ name: `report-${stemOf(path)}.html`, blob: new Blob([text], { type: 'text/html' }) });
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button disabled={busy} onClick={() => void make()}>
      {busy ? 'Checking the page…' : 'Save a report'}
    </Button>
  );
}
