/** What somebody has to know of the open site before working on it: that it is only shown, or not all of it is there. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { countOf } from '~core/site/index.ts';
import { save } from '../../data/export';
import { forgetRemarks, remarksOf } from '../../data/intake/importRemarks';
import type { Shut } from '../../data/session/shared';
import type { SetAside } from '../../data/store/setAside';
import { usePreview } from '../preview/PreviewProvider';
import { sayTried } from '../preview/tried';
import { color } from '../theme';
import { useSite } from './openSite';

const SHUT: Record<Shut, string> = {
  'other tab': 'This site is open in another tab. Here it is shown read-only until that tab is closed.',
  closed:
    'The browser’s storage was cleared, or the browser closed it, as it does where the disk is full. What is shown is still in memory: save an archive before you leave this page, or make room and load it again.',
  'taken over':
    'A newer version of Heathmoor took the storage over in another tab. What is shown can be saved as an archive; load this page again to go on.',
  newer:
    'A newer version of Heathmoor wrote this site. Here it is shown read-only, and can be saved as an archive; load this page again to get that version.',
};

const STRIP = {
  display: 'flex',
  alignItems: 'baseline',
  gap: 1.5,
  bgcolor: color('gorseWash'),
  color: color('gorse'),
  px: 2.5,
  py: 0.75,
  fontSize: '0.8125rem',
  borderTop: `1px solid ${color('hair')}`,
} as const;

const LIST = { my: 0.5, pl: 2.5, maxHeight: 120, overflowY: 'auto' } as const;

export function Standing() {
  const { site, go } = useSite();
  const { shut, aside } = site;
  return (
    <>
      {shut !== null && (
        <Box role="status" sx={{ ...STRIP, fontWeight: 600 }}>
          <Box sx={{ flex: 1 }}>{SHUT[shut]}</Box>
          {shut !== 'other tab' && <Button onClick={() => go({ station: 'pack' })}>Save an archive…</Button>}
        </Box>
      )}
      {aside.length > 0 && <Aside siteName={site.site.name} aside={aside} />}
      <PagesTried />
      <CameIn key={site.site.id} siteId={site.site.id} />
    </>
  );
}

function Aside({ siteName, aside }: { siteName: string; aside: readonly SetAside[] }) {
  const [closed, setClosed] = useState(false);
  if (closed) return null;
  const records = aside.filter(({ record }) => record !== undefined);
  const saveRecords = () => {
    const text = JSON.stringify(records, null, 2);
    save({ name: `${siteName} – set aside.json`, blob: new Blob([text], { type: 'application/json' }) });
  };
  return (
    <Strip
      label="Not all of this site can be read"
      says={`${countOf(aside.length, 'thing')} of this site cannot be read. All else is here, works and can be saved.`}
      lines={aside.map(({ says }) => says)}
      onClose={() => setClosed(true)}
    >
      {records.length > 0 && <Button onClick={saveRecords}>Save what was set aside</Button>}
    </Strip>
  );
}

/** What pages wanted that a preview does not do, and the way to let them ask outside. */
function PagesTried() {
  const { site } = useSite();
  const { tries } = usePreview();
  const { tried, forget, allowOutside } = tries;
  const allowed = site.site.outside === true;
  if (tried.length === 0) return null;
  const asksOutside = tried.some(({ what }) => what === 'outside');
  return (
    <Strip
      label="What pages tried"
      says={
        asksOutside
          ? 'External URLs are blocked in previews: nothing is sent anywhere.'
          : 'Dialogs and downloads are blocked in previews.'
      }
      lines={tried.map(sayTried)}
      onClose={forget}
    >
      {asksOutside && !allowed && <Button onClick={() => allowOutside(true)}>Allow them for this site</Button>}
    </Strip>
  );
}

/** What came in otherwise than it was, or not at all. */
function CameIn({ siteId }: { siteId: string }) {
  const [notes, setNotes] = useState(() => remarksOf(siteId));
  if (notes.length === 0) return null;
  const close = () => {
    forgetRemarks(siteId);
    setNotes([]);
  };
  return (
    <Strip label="Changes on import" says="Not everything was imported unchanged." lines={notes} onClose={close} />
  );
}

interface StripProps {
  label: string;
  says: string;
  lines: readonly string[];
  onClose: () => void;
  children?: ReactNode;
}

function Strip({ label, says, lines, onClose, children }: StripProps) {
  return (
    <Box role="status" aria-label={label} sx={STRIP}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <b>{says}</b>
        <Box component="ul" tabIndex={0} aria-label={label} sx={LIST}>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      </Box>
      {children}
      <Button onClick={onClose}>Close</Button>
    </Box>
  );
}
