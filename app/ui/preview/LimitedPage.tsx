/**
 * A page without the preview origin: its markup, styles and small copies of its pictures, in a frame that runs no
 * script.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { useSite } from '../site/openSite';
import { TOKENS } from '../theme';

interface LimitedPageProps {
  path: string;
  /** Width of the page's window; CSS px. */
  width: number;
  /** Room that it is shown in; CSS px. */
  room: { width: number; height: number };
  title: string;
  onRestart: () => void;
}

/** Height of the line that says what is missing; CSS px. */
const NOTE = 52;

/**
 * The nonce of this document, which styles need to pass its policy. Pages in the frame run no script that could read
 * it.
 */
const nonceOf = (document: Document): string => document.querySelector<HTMLElement>('script[nonce]')?.nonce ?? '';

const roomStyle = (room: { width: number; height: number }) =>
  ({ width: room.width, height: room.height, overflow: 'hidden', bgcolor: '#fff' }) as const;

const NOTE_STYLE = {
  height: NOTE,
  px: 1.5,
  py: 0.75,
  display: 'flex',
  gap: 1,
  alignItems: 'center',
  color: TOKENS.light.stone,
  bgcolor: TOKENS.light.gorseWash,
  fontSize: '0.75rem',
  lineHeight: 1.35,
};

const frameStyle = ({
  width,
  room,
  scale,
}: {
  width: number;
  room: { width: number; height: number };
  scale: number;
}) =>
  ({
    border: 0,
    display: 'block',
    width,
    height: (room.height - NOTE) / scale,
    transform: `scale(${scale})`,
    transformOrigin: '0 0',
    background: '#fff',
  }) as const;

export function LimitedPage({ path, width, room, title, onRestart }: LimitedPageProps) {
  const { site } = useSite();
  const [text, setText] = useState<string | null>(null);
  const scale = Math.min(1, room.width / width);
  useEffect(() => {
    let current = true;
    void site.session.pictures.pageStandingAlone(path, nonceOf(document)).then((made) => current && setText(made));
    return () => {
      current = false;
    };
  }, [site, path]);
  return (
    <Box sx={roomStyle(room)}>
      <Box role="status" sx={NOTE_STYLE}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          Limited preview: no scripts, no links, small pictures. The preview’s own port does not answer.
        </Box>
        <Button onClick={onRestart} sx={{ flexShrink: 0 }}>
          Start the preview again
        </Button>
      </Box>
      {text !== null && (
        <Box
          component="iframe"
          key={path}
          srcDoc={text}
          title={`${title}, limited`}
          sandbox=""
          sx={frameStyle({ width, room, scale })}
        />
      )}
    </Box>
  );
}
