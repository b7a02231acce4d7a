/** Finds any page, picture, strand or station by its name. */
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { STATIONS } from '../../stations';
import { useSite } from '../site/openSite';
import { useWork } from '../site/work';
import { color } from '../theme';

interface Hit {
  label: string;
  kind: 'Station' | 'Page' | 'Picture' | 'Strand' | 'Action';
  go: () => void;
}

export function Find({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { site, go } = useSite();
  const { work } = useWork();
  const navigate = useNavigate();
  const hits = useMemo((): Hit[] => {
    return [
      ...STATIONS.map(({ id, name }): Hit => ({ kind: 'Station', label: name, go: () => go({ station: id }) })),
      ...site.view.pages.map(({ path }): Hit => ({
        kind: 'Page',
        label: path,
        go: () => go({ station: 'markup', page: path }),
      })),
      ...site.view.pairs.map((pair): Hit => ({
        kind: 'Picture',
        label: pair.full,
        go: () =>
          go({ station: 'pairs', strand: site.view.strands.find((strand) => strand.full === pair.full)?.id ?? null }),
      })),
      ...site.view.strands.map((strand): Hit => ({
        kind: 'Strand',
        label: `${strand.name} on ${strand.page}, item ${strand.item + 1}`,
        go: () => go({ station: 'markup', page: strand.page, strand: strand.id }),
      })),
      ...(['undo', 'redo'] as const).flatMap((way): Hit[] =>
        site[way] === null
          ? []
          : [
              {
                kind: 'Action',
                label: `${way === 'undo' ? 'Undo' : 'Redo'}: ${site[way]}`,
                go: () => work({ do: 'step', way }),
              },
            ],
      ),
      { kind: 'Action', label: 'All site files', go: () => go({ sheet: { name: 'files' } }) },
      { kind: 'Action', label: 'Show the keys', go: () => go({ sheet: { name: 'keys' } }) },
      { kind: 'Action', label: 'Go to your sites', go: () => void navigate('/') },
    ];
  }, [site, navigate, go, work]);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { 'aria-label': 'Find', sx: { overflow: 'visible' } } }}
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start', pt: 8 } }}
    >
      <DialogContent sx={{ overflow: 'visible' }}>
        <Autocomplete
          options={hits}
          getOptionKey={(hit) => `${hit.kind} ${hit.label}`}
          openOnFocus
          autoHighlight
          disablePortal
          onChange={(_event, hit) => {
            onClose();
            hit?.go();
          }}
          // Groups of options cannot be told to assistive technology within a list box; each says what it is.
          renderOption={({ key, ...option }, hit) => (
            <Box component="li" key={key} {...option} sx={{ gap: 2 }}>
              <Box sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>{hit.label}</Box>
              <Box sx={{ color: color('stone'), fontSize: '0.75rem' }}>{hit.kind}</Box>
            </Box>
          )}
          renderInput={(params) => <TextField {...params} label="Find a page, picture, strand or action" autoFocus />}
        />
      </DialogContent>
    </Dialog>
  );
}
