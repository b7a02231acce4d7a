/** A page in a frame of its own, answered in the manner of a view and told what it is to be shown as. */
import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { usePreview } from '../../../ui/preview/PreviewProvider';
import { SANDBOX, useProbe } from '../../../ui/preview/useProbe';
import { useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import type { PageWay } from './views';

const SANDBOX_WITHOUT_SCRIPTS = 'allow-same-origin allow-forms';

interface Props {
  path: string;
  way: PageWay;
  /** CSS px. */
  room: { width: number; height: number };
}

/** Narrow pages keep their size and stand in the middle. */
const ROOM = { display: 'flex', justifyContent: 'center', overflow: 'hidden', bgcolor: color('mist') } as const;

/** Pages have no night colours of ours. */
const PAPER = { overflow: 'hidden', bgcolor: '#fff' } as const;
const frameStyle = (width: number, height: number, scale: number) =>
  ({
    width,
    height: height / scale,
    transform: `scale(${scale})`,
    transformOrigin: '0 0',
    border: 0,
    display: 'block',
    background: '#fff',
  }) as const;

export function WayFrame({ path, way, room }: Props) {
  const { origin, status, settled, address, answered } = usePreview();
  const { version } = useSite().site;
  const frame = useRef<HTMLIFrameElement>(null);
  const [src, setSrc] = useState<string | null>(null);
  const { manner, as, width, says } = way;
  const tell = useProbe(frame, origin, (report) => {
    if (report.type === 'hello' && as !== null) tell({ type: 'as', as });
  });
  const isReady = status === 'ready' && settled;
  useEffect(() => {
    if (!isReady) return undefined;
    let isCurrent = true;
    const at = manner === null ? Promise.resolve(address(path)) : answered(path, manner);
    void at.then((found) => isCurrent && setSrc(found));
    return () => {
      isCurrent = false;
    };
  }, [isReady, manner, path, address, answered, version]);
  const scale = Math.min(1, room.width / width);
  if (status !== 'ready' && status !== 'starting')
    return (
      <Box sx={{ p: 2, color: color('stone') }}>The preview does not answer, so only the usual view is shown.</Box>
    );
  return (
    <Box sx={{ ...ROOM, height: room.height }}>
      <Box sx={{ ...PAPER, width: width * scale, height: room.height }}>
        {src !== null && (
          <Box
            component="iframe"
            // A site that has changed is shown as it is now.
            key={`${src} ${version}`}
            ref={frame}
            src={src}
            title={`${path}: ${says}`}
            sandbox={way.scripts ? SANDBOX : SANDBOX_WITHOUT_SCRIPTS}
            sx={frameStyle(way.width, room.height, scale)}
          />
        )}
      </Box>
    </Box>
  );
}
