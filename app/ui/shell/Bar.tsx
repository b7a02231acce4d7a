/** The top of the window: the name, the trail, and what goes for all stations. */
import DarkMode from '@mui/icons-material/DarkModeOutlined';
import LightMode from '@mui/icons-material/LightModeOutlined';
import Redo from '@mui/icons-material/Redo';
import Search from '@mui/icons-material/Search';
import Undo from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useSite } from '../site/openSite';
import { useWork } from '../site/work';
import { color, SERIF } from '../theme';

interface Action {
  name: string;
  keys: string;
  icon: ReactNode;
  onClick: () => void;
}

const BAR = {
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: 2,
  minHeight: 64,
  px: 2.5,
  borderBottom: `1px solid ${color('hair')}`,
  flexShrink: 0,
  // The way through the stations gets a line of its own.
  '@media (max-width: 999.95px)': { flexWrap: 'wrap', pt: 1, pb: 0.5, rowGap: 0, '& > nav': { order: 1 } },
} as const;

const NAME = {
  fontFamily: SERIF,
  fontWeight: 600,
  fontSize: '1.3rem',
  color: color('peat'),
  textDecoration: 'none',
  lineHeight: 1.1,
};

const UNDER = {
  color: color('stone'),
  fontSize: '0.78rem',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
} as const;

const ACTIONS = { display: 'flex', gap: 0.5, alignItems: 'center', flexShrink: 0 };

export function Bar({ under, middle, children }: { under?: string; middle?: ReactNode; children: ReactNode }) {
  return (
    <Box component="header" sx={BAR}>
      <Box sx={{ width: 190, minWidth: 0 }}>
        <Box component={Link} to="/" sx={NAME}>
          Heathmoor
        </Box>
        {under && <Box sx={UNDER}>{under}</Box>}
      </Box>
      {middle}
      <Box sx={ACTIONS}>{children}</Box>
    </Box>
  );
}

export function DayNight() {
  const { mode, systemMode, setMode } = useColorScheme();
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const night = ready && (mode === 'system' ? systemMode : mode) === 'dark';
  const label = night ? 'Light theme' : 'Dark theme';
  return (
    <Tooltip title={label}>
      <IconButton aria-label={label} onClick={() => setMode(night ? 'light' : 'dark')}>
        {night ? <LightMode fontSize="small" /> : <DarkMode fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}

export function UndoRedo() {
  const { site } = useSite();
  const { work, busy } = useWork();
  return (['undo', 'redo'] as const).map((way) => {
    const label = site[way];
    const name = way === 'undo' ? 'Undo' : 'Redo';
    const title = label === null ? `Nothing to ${way}` : `${name}: ${label}`;
    return (
      <Tooltip key={way} title={title}>
        <span>
          <IconButton
            aria-label={title}
            disabled={label === null || busy || site.readOnly}
            onClick={() => work({ do: 'step', way })}
          >
            {way === 'undo' ? <Undo fontSize="small" /> : <Redo fontSize="small" />}
          </IconButton>
        </span>
      </Tooltip>
    );
  });
}

/** A sign that opens a sheet; the key that does the same stands in its tip. */
export function BarButton({ name, keys, icon, onClick }: Action) {
  return (
    <Tooltip title={`${name} (${keys})`}>
      <IconButton aria-label={name} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
}

export function FindButton({ onClick }: { onClick: () => void }) {
  return (
    <Button onClick={onClick} startIcon={<Search fontSize="small" />}>
      Find
    </Button>
  );
}
