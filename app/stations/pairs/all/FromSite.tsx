/** Pictures of another site, chosen from a list and brought over with all that belongs to them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import { countOf, nameOf } from '~core/site/index.ts';
import { openStore } from '../../../data/store/idbStore';
import { ChooseAll, useChoosing } from '../../../ui/parts/choosing';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import type { StockPicture } from '../../../workers/otherSites';

const BAR = { display: 'flex', gap: 1.5, flexWrap: 'wrap', pt: 0.75, mb: 1.5 } as const;

const LIST = { m: 0, p: 0, listStyle: 'none', maxHeight: 340, overflowY: 'auto' } as const;

const ROW = {
  display: 'grid',
  gridTemplateColumns: '34px 72px minmax(0, 1fr) auto',
  gap: 1.25,
  alignItems: 'center',
  py: 0.5,
  borderTop: `1px solid ${color('hair')}`,
} as const;

/** So many are shown at once; others are found by their words. */
const SHOWN = 300;

interface OtherSite {
  id: string;
  name: string;
}

/** The button, and what it opens. */
export function FromSite() {
  const { site } = useSite();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button disabled={site.readOnly} onClick={() => setOpen(true)}>
        From another site…
      </Button>
      {open && <FromSiteDialog onClose={() => setOpen(false)} />}
    </>
  );
}

function FromSiteDialog({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const sites = useOtherSites(site.site.id);
  const [chosenSite, setChosenSite] = useState<string | null>(null);
  const other = siteOf(sites ?? [], chosenSite);
  const read = useStock(other?.id ?? null);
  const stock = read?.stock ?? null;
  const [sought, setSought] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const shown = useMemo(() => stock?.filter((one) => says(one, sought)) ?? [], [stock, sought]);
  const taken = stock?.filter(({ full }) => chosen.has(full)) ?? [];
  const bring = async () => {
    if (!other) return;
    const fulls = taken.map(({ full }) => full);
    const pictures = await site.session.analysis.broughtOf(other.id, fulls);
    attempt({ kind: 'bring-pictures', from: other.name, pictures });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="from-site">
      <DialogTitle id="from-site">Pictures from another site</DialogTitle>
      <DialogContent>
        {other && (
          <Bar
            sites={sites ?? []}
            other={other}
            sought={sought}
            onSite={(id) => {
              setChosenSite(id);
              setChosen(new Set());
            }}
            onSought={setSought}
          />
        )}
        <Standing sites={sites} other={other} read={read} shown={shown.length} />
        {shown.length > 0 && <Stock shown={shown} chosen={chosen} onChoose={setChosen} />}
        {reason !== null && (
          <Box role="alert" sx={{ color: color('rust'), mt: 1 }}>
            {reason}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || taken.length === 0}
          onClick={() => void bring()}
        >
          {`Bring ${countOf(taken.length, 'picture')}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface BarProps {
  sites: readonly OtherSite[];
  other: OtherSite;
  sought: string;
  onSite: (id: string) => void;
  onSought: (text: string) => void;
}

const Bar = ({ sites, other, sought, onSite, onSought }: BarProps) => (
  <Box sx={BAR}>
    <TextField
      select
      label="Site"
      value={other.id}
      onChange={({ target }) => onSite(target.value)}
      sx={{ minWidth: 240 }}
    >
      {sites.map(({ id, name }) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
    <TextField type="search" label="Name or text" value={sought} onChange={({ target }) => onSought(target.value)} />
  </Box>
);

interface StandingProps {
  sites: readonly OtherSite[] | null;
  other: OtherSite | null;
  read: { reason: string | null } | null;
  shown: number;
}

/** Why there is nothing to choose from, or not yet. */
function Standing({ sites, other, read, shown }: StandingProps) {
  if (sites?.length === 0)
    return (
      <Box sx={{ color: color('stone') }}>There is no other site here. Import one on the list of sites first.</Box>
    );
  if (!other) return null;
  if (read === null) return <Box role="status">{`Reading ${other.name}…`}</Box>;
  if (read.reason !== null)
    return (
      <Box role="alert" sx={{ color: color('rust') }}>
        {`${other.name} cannot be read: ${read.reason}`}
      </Box>
    );
  return shown === 0 ? <Box role="status">No picture of this site is like that.</Box> : null;
}

interface StockProps {
  shown: readonly StockPicture[];
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
}

function Stock({ shown, chosen, onChoose }: StockProps) {
  const ids = useMemo(() => shown.map(({ full }) => full), [shown]);
  const boxOf = useChoosing(ids, { chosen, onChoose });
  return (
    <>
      <ChooseAll ids={ids} chosen={chosen} onChoose={onChoose} />
      <Box component="ul" aria-label="Pictures of the other site" sx={LIST}>
        {shown.slice(0, SHOWN).map((picture) => (
          <Box component="li" key={picture.full} sx={ROW}>
            <Checkbox
              {...boxOf(picture.full)}
              slotProps={{ input: { 'aria-label': `Bring ${nameOf(picture.full)}` } }}
            />
            <Small hash={picture.shows} />
            <Box sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
              <Box>{picture.full}</Box>
              <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>{picture.alt || picture.title}</Box>
            </Box>
            <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>{countOf(picture.files, 'file')}</Box>
          </Box>
        ))}
      </Box>
    </>
  );
}

const siteOf = (sites: readonly OtherSite[], id: string | null): OtherSite | null =>
  sites.find((one) => one.id === id) ?? sites[0] ?? null;

function says({ full, title, alt, tags }: StockPicture, sought: string): boolean {
  const text = sought.trim().toLowerCase();
  return [full, title, alt, ...tags].some((one) => one.toLowerCase().includes(text));
}

/** Null until they are read. */
function useOtherSites(own: string): OtherSite[] | null {
  const [sites, setSites] = useState<OtherSite[] | null>(null);
  useEffect(() => {
    let current = true;
    void openStore()
      .then((store) => store.listSites())
      .then((all) => current && setSites(all.filter(({ id, exercise }) => id !== own && exercise === undefined)));
    return () => {
      current = false;
    };
  }, [own]);
  return sites;
}

function useStock(siteId: string | null): { stock: StockPicture[]; reason: string | null } | null {
  const { session } = useSite().site;
  const [read, setRead] = useState<{ siteId: string; stock: StockPicture[]; reason: string | null } | null>(null);
  useEffect(() => {
    if (siteId === null) return undefined;
    let current = true;
    const show = (stock: StockPicture[], reason: string | null) => current && setRead({ siteId, stock, reason });
    session.analysis.stockOf(siteId).then(
      (stock) => show(stock, null),
      (error: unknown) => show([], error instanceof Error ? error.message : String(error)),
    );
    return () => {
      current = false;
    };
  }, [session, siteId]);
  return read?.siteId === siteId ? read : null;
}

const FRAME = { width: 68, height: 50, bgcolor: color('mist'), display: 'grid', placeItems: 'center' } as const;

/** The small copy that was made when the picture was looked at in its own site. */
function Small({ hash }: { hash: string }) {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    let gone = false;
    void openStore()
      .then((store) => store.readGlance(hash))
      .then((blob) => {
        if (!blob || gone) return;
        made = URL.createObjectURL(blob);
        setUrl(made);
      });
    return () => {
      gone = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [hash]);
  return (
    <Box sx={FRAME}>
      {url !== null && <Box component="img" src={url} alt="" sx={{ maxWidth: 68, maxHeight: 50, display: 'block' }} />}
    </Box>
  );
}
