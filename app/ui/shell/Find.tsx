/** Finds any page, picture, strand or station by its name; a picture is shown with its strand. */
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Strand } from '~core/model/index.ts';
import { STATIONS } from '../../stations';
import { ACTIONS } from './actions';
import { Picture } from '../parts/small';
import { Thread } from '../parts/Thread';
import { NO_STRAND, useSite } from '../site/openSite';
import { useWork } from '../site/work';
import { color } from '../theme';
import { WORD } from './ShownStrand';

interface Hit {
  label: string;
  /** Other words by which it is looked for. */
  words?: string;
  kind: 'Station' | 'Page' | 'Picture' | 'Strand' | 'Action';
  go: () => void;
  /** File to show beside it. */
  picture?: string | null;
  strand?: Strand;
}

/** More are found by typing on: nobody reads through thousands. */
const MOST = 60;

/** Every word that was typed must be there, in any order; what is called so comes before what is only meant. */
function narrowed(hits: readonly Hit[], { inputValue }: { inputValue: string }): Hit[] {
  const typed = inputValue.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (text: string) => typed.every((word) => text.toLowerCase().includes(word));
  const called = hits.filter(({ label }) => holds(label));
  const meant = hits.filter(({ label, words }) => !holds(label) && words !== undefined && holds(`${label} ${words}`));
  return [...called, ...meant].slice(0, MOST);
}

const HIT = { display: 'flex', alignItems: 'center', gap: 1.5, minHeight: 36 } as const;

const LABEL = { flex: 1, minWidth: 0, overflowWrap: 'anywhere' } as const;

const KIND = { color: color('stone'), fontSize: '0.75rem', width: 56, textAlign: 'right' } as const;

/** Under its button in the bar, so that the page and its strand stay in sight. */
const PLACE = { '& .MuiDialog-container': { alignItems: 'flex-start', justifyContent: 'flex-end', pt: 3 } } as const;

export function Find({ onClose }: { onClose: () => void }) {
  const { site, go } = useSite();
  const { work } = useWork();
  const navigate = useNavigate();
  const hits = useMemo((): Hit[] => {
    const has = { pages: site.view.pages.length > 0, pictures: site.view.pairs.length > 0 };
    return [
      ...STATIONS.map(({ id, name }): Hit => ({ kind: 'Station', label: name, go: () => go({ station: id }) })),
      ...site.view.pages.map(({ path }): Hit => ({
        kind: 'Page',
        label: path,
        go: () => go({ station: 'markup', page: path }),
      })),
      ...site.view.pairs.map((pair): Hit => {
        const strand = site.view.strands.find(({ full }) => full === pair.full);
        return {
          kind: 'Picture',
          label: pair.full,
          picture: pair.thumbnail ?? pair.full,
          go: () => go({ station: 'pairs', strand: strand?.id ?? NO_STRAND }),
        };
      }),
      ...site.view.strands.map((strand): Hit => ({
        kind: 'Strand',
        label: `${strand.name} on ${strand.page}, item ${strand.item + 1}`,
        picture: strand.thumbnail,
        strand,
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
      ...ACTIONS.filter(({ needs }) => needs === undefined || has[needs]).map(({ label, words, to }): Hit => ({
        kind: 'Action',
        label,
        words,
        go: () => go(to),
      })),
      { kind: 'Action', label: 'Go to your sites', go: () => void navigate('/') },
    ];
  }, [site, navigate, go, work]);
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { 'aria-label': 'Find', sx: { overflow: 'visible' } } }}
      sx={PLACE}
    >
      <DialogContent sx={{ overflow: 'visible' }}>
        <Autocomplete
          options={hits}
          getOptionKey={(hit) => `${hit.kind} ${hit.label}`}
          open
          filterOptions={narrowed}
          noOptionsText="Nothing has this name"
          onClose={(_event, reason) => reason === 'escape' && onClose()}
          autoHighlight
          disablePortal
          onChange={(_event, hit) => {
            onClose();
            hit?.go();
          }}
          // Groups of options cannot be told to assistive technology within a list box; each says what it is.
          renderOption={({ key, ...option }, hit) => (
            <Box component="li" key={key} {...option} sx={HIT}>
              {hit.picture !== undefined && <Picture path={hit.picture} width={40} height={30} />}
              <Box sx={LABEL}>{hit.label}</Box>
              {hit.strand && <Thread joints={hit.strand.joints} />}
              <Box sx={KIND}>{hit.strand ? WORD[hit.strand.state] : hit.kind}</Box>
            </Box>
          )}
          renderInput={(params) => <TextField {...params} label="Find a page, picture, strand or action" autoFocus />}
        />
      </DialogContent>
    </Dialog>
  );
}
