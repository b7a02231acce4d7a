/** The site on the test host, walked through as a visitor would, in sight. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { useRef } from 'react';
import { STAGE, STAGE_WIDTH, stageFrame } from '../../../ui/preview/stage';
import { SANDBOX } from '../../../ui/preview/useProbe';
import { useSite } from '../../../ui/site/openSite';
import { useWalk, WALK_WINDOW } from './useWalk';
import { WalkReport } from './WalkReport';

interface WalkDialogProps {
  root: string;
  onClose: () => void;
}

export function WalkDialog(props: WalkDialogProps) {
  return (
    <Dialog open onClose={props.onClose} maxWidth={false} aria-labelledby="walk-title">
      <DialogTitle id="walk-title">Walk as a visitor</DialogTitle>
      <Steps {...props} />
    </Dialog>
  );
}

/** What is inside of the dialog comes later than the dialog; so its frame is there. */
function Steps({ root, onClose }: WalkDialogProps) {
  const { session, view } = useSite().site;
  const frame = useRef<HTMLIFrameElement>(null);
  const pages = view.pages.map(({ path }) => path);
  const { says, done, of, walk } = useWalk(frame, root, session, pages);
  return (
    <>
      <DialogContent sx={{ width: STAGE_WIDTH + 48 }}>
        <Box role="status" sx={{ mb: 1, fontSize: '0.8125rem', minHeight: '1.4em' }}>
          {walk ? 'Every page, picture and link has been tried.' : says}
        </Box>
        <LinearProgress
          aria-label="Steps of the walk"
          variant="determinate"
          value={walk ? 100 : (100 * done) / Math.max(1, of)}
          sx={{ mb: 1.5 }}
        />
        <Box sx={STAGE}>
          <Box
            component="iframe"
            ref={frame}
            title="The site on the test host"
            sandbox={SANDBOX}
            sx={stageFrame(WALK_WINDOW)}
          />
        </Box>
        {walk && (
          <Box sx={{ mt: 1.5 }}>
            <WalkReport walk={walk} />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{walk ? 'Close' : 'Stop'}</Button>
      </DialogActions>
    </>
  );
}
