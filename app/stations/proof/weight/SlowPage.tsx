/** The page as it comes on the chosen line: the preview holds its files back as long as they would take. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { ToProbe } from '~protocol/probe.ts';
import { Panel } from '../../../ui/parts/small';
import type { Weighed } from '../../../ui/preview/measure';
import { usePreview } from '../../../ui/preview/PreviewProvider';
import { SANDBOX, useProbe } from '../../../ui/preview/useProbe';
import { color } from '../../../ui/theme';
import { lineOf, WINDOW_HEIGHT, type WeightChoice } from './useWeight';

/** Room for the page; CSS px. */
const ROOM = { width: 268, height: 190 };

const HEAD = { display: 'flex', gap: 1, alignItems: 'center', justifyContent: 'space-between' } as const;

const roomStyle = { mt: 1.25, overflow: 'hidden', border: `1px solid ${color('hair')}`, bgcolor: '#fff' } as const;

interface Props {
  path: string;
  choice: WeightChoice;
  weighed: Weighed | null;
  onWeighed: (weighed: Weighed | null) => void;
}

const WEIGH: ToProbe = { type: 'weigh', whole: true };

export function SlowPage({ path, choice, weighed, onWeighed }: Props) {
  const { answered, origin, status } = usePreview();
  const frame = useRef<HTMLIFrameElement>(null);
  const [src, setSrc] = useState<string | null>(null);
  const [isComing, setComing] = useState(false);
  const { width, line } = choice;
  const tell = useProbe(frame, origin, (report) => {
    if (report.type === 'hello') tell(WEIGH);
    if (report.type !== 'weighed') return;
    setComing(false);
    onWeighed(report);
  });
  const load = async () => {
    const { speed, latency } = lineOf(line);
    onWeighed(null);
    setComing(true);
    const at = await answered(path, {
      line: { speed, latency },
      pictures: 'come',
      disk: false,
    });
    setSrc(at);
    if (at === null) setComing(false);
  };
  const stop = () => {
    setSrc(null);
    setComing(false);
  };
  const scale = Math.min(ROOM.width / width, ROOM.height / WINDOW_HEIGHT);
  const size = { width, height: WINDOW_HEIGHT, transform: `scale(${scale})`, transformOrigin: '0 0', border: 0 };
  return (
    <Panel label="The page on this line" sx={{ p: 1.75 }}>
      <Box sx={HEAD}>
        <Box component="h2" sx={{ m: 0, fontSize: '0.875rem', fontWeight: 600 }}>
          The page on this line
        </Box>
        {isComing ? (
          <Button onClick={stop}>Stop</Button>
        ) : (
          <Button onClick={() => void load()} disabled={status !== 'ready'}>
            {src === null ? 'Load it' : 'Load it again'}
          </Button>
        )}
      </Box>
      <Box role="status" sx={{ fontSize: '0.8125rem', color: color('stone') }}>
        {saidOf(isComing, weighed, status === 'ready')}
      </Box>
      {src !== null && (
        <Box sx={{ ...roomStyle, width: width * scale, height: WINDOW_HEIGHT * scale }}>
          <Box
            component="iframe"
            key={src}
            ref={frame}
            src={src}
            title={`${path} on a slow line`}
            sandbox={SANDBOX}
            tabIndex={-1}
            sx={size}
          />
        </Box>
      )}
    </Panel>
  );
}

function saidOf(isComing: boolean, weighed: Weighed | null, canLoad: boolean): string {
  if (!canLoad) return 'The preview does not answer, so nothing can be measured here.';
  if (isComing) return 'Its files come as slowly as on this line…';
  if (!weighed) return 'Loads it as slowly as the line is, and draws what this browser measures as rings.';
  const last = Math.max(0, ...weighed.files.map(({ end }) => end));
  return `All there after ${(last / 1000).toFixed(1)} s, measured in this browser.`;
}
