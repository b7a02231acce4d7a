import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { PagePicker } from '../stations/markup/PagePicker';
import { Loom } from '../stations/wiring/Loom';
import { DiffView } from '../ui/DiffView';
import { Fixes, Nothing, Sheet, StationHead } from '../ui/parts';
import { useChosenPage, useIntent, useSite } from '../ui/site';
import { ink } from '../ui/theme';
import type { PlanView } from '../workers/analysis';

export const meta = () => [{ title: 'Wiring – Heathmoor' }];

export default function Wiring() {
  const { site, busy } = useSite();
  const intent = useIntent();
  const page = useChosenPage();
  const [plan, setPlan] = useState<PlanView | null>(null);
  const { view, session } = site;
  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  if (!page || strands.length === 0) {
    return (
      <>
        <StationHead title={page ? <PagePicker /> : 'Wiring'} says="nothing to wire yet" />
        <Nothing title="No gallery on this page" says="Once a page shows pictures, its scripts stand here in the order in which a browser runs them, tied to the links that they answer." />
      </>
    );
  }
  const answered = page.includes.reduce((sum, include) => sum + include.answers.length, 0);
  const findings = view.findings.filter((finding) => finding.station === 'wiring' && finding.place.path === page.path);
  const show = async () => setPlan(await session.plan({ kind: 'wire', page: page.path }));
  return (
    <>
      <StationHead title={<PagePicker />} says={page.kit === null ? 'no viewer yet: each link opens its picture by itself' : `wired with the ${page.kit}, ${answered} of ${strands.length} links answered`}>
        <Button variant="contained" color="primary" disabled={busy || site.readOnly} onClick={() => void show()}>
          Wire this page
        </Button>
      </StationHead>
      <Loom page={page} strands={strands} />
      {findings.map((finding) => (
        <Sheet key={finding.id} label="What a browser does here" sx={{ p: 1.75, mt: 1.5, maxWidth: 620 }}>
          <Typography variant="h2" component="h2" sx={{ fontSize: '0.9rem', fontFamily: 'inherit' }}>What a browser does here</Typography>
          <Box sx={{ my: 0.75 }}>{`Line ${finding.place.line}: ${finding.says}`}</Box>
          <Box sx={{ color: ink('stone'), mb: 1 }}>{finding.why}</Box>
          <Fixes finding={finding.id} fixes={finding.fixes} />
        </Sheet>
      ))}
      {plan && (
        <Dialog open onClose={() => setPlan(null)} fullWidth maxWidth="md" aria-labelledby="wire-title">
          <DialogTitle id="wire-title">{plan.ok ? `Wire ${page.path}` : 'There is nothing to wire'}</DialogTitle>
          <DialogContent>{plan.ok ? <DiffView diffs={plan.diffs} height={420} /> : plan.reason}</DialogContent>
          <DialogActions>
            <Button onClick={() => setPlan(null)}>{plan.ok ? 'Cancel' : 'Close'}</Button>
            {plan.ok && (
              <Button
                variant="contained"
                color="primary"
                onClick={() => {
                  intent({ kind: 'wire', page: page.path });
                  setPlan(null);
                }}
              >
                Write this
              </Button>
            )}
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
