/** Several sections on one page: a gallery's set-up written again for other pictures, and the list of links to them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import type { PageView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { Part } from '../../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { asPictures, PairChoice, unplacedPairs } from '../PairChoice';

export function Sections({ page, idle: locked }: { page: PageView; idle: boolean }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const idle = locked || busy;
  const [open, setOpen] = useState(false);
  const { galleries, path } = page;
  if (galleries.length === 0) return null;
  return (
    <Part title="Sections">
      <Box component="ol" sx={{ m: 0, pl: 3, fontSize: '0.8125rem' }}>
        {galleries.map(({ heading, strands }, n) => (
          <li key={n}>{`${heading ?? 'without a heading'}, ${countOf(strands.length, 'item')}`}</li>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button disabled={idle || open} onClick={() => setOpen(true)}>
          Add a section…
        </Button>
        <Button disabled={idle || galleries.length < 2} onClick={() => intent({ kind: 'list-sections', page: path })}>
          List the sections
        </Button>
      </Box>
      {open && (
        <NewSection page={page} idle={idle} pairs={unplacedPairs(site.view.pairs)} onClose={() => setOpen(false)} />
      )}
    </Part>
  );
}

const FORM = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr)',
  gap: 1.5,
  borderLeft: `2px solid ${color('edge')}`,
  pl: 1.5,
  pt: 0.75,
};

function NewSection({
  page: { path, galleries },
  idle: locked,
  pairs,
  onClose,
}: {
  page: PageView;
  idle: boolean;
  pairs: ReturnType<typeof unplacedPairs>;
  onClose: () => void;
}) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const idle = locked || busy;
  const [title, setTitle] = useState('');
  const [like, setLike] = useState(galleries.length - 1);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const pictures = asPictures(pairs.filter(({ id }) => chosen.has(id)));
  const [moving, setMoving] = useState<ReadonlySet<string>>(new Set());
  const here = site.view.strands.filter((strand) => strand.page === path && strand.gallery === like);
  const moved = here.filter(({ id }) => moving.has(id)).map(({ item }) => item);
  const wish: Intent | null =
    title.trim() !== '' && pictures.length + moved.length > 0
      ? { kind: 'add-section', page: path, gallery: like, title: title.trim(), pictures, moved }
      : null;
  const plan = usePlan(wish);
  return (
    <Box
      component="form"
      aria-label="New section"
      sx={FORM}
      onSubmit={(event) => {
        event.preventDefault();
        if (!wish || changesOf(plan) === 0) return;
        intent(wish);
        onClose();
      }}
    >
      <TextField label="Heading" value={title} autoFocus onChange={({ target }) => setTitle(target.value)} />
      {galleries.length > 1 && (
        <TextField
          select
          label="Same structure as"
          value={String(like)}
          onChange={({ target }) => {
            setLike(Number(target.value));
            setMoving(new Set());
          }}
          helperText="It is added after that one."
        >
          {galleries.map(({ heading }, n) => (
            <MenuItem key={n} value={String(n)}>
              {heading ?? `gallery ${n + 1}`}
            </MenuItem>
          ))}
        </TextField>
      )}
      <PairChoice pairs={pairs} chosen={chosen} onChoose={setChosen} none="Every pair is on a page already" />
      <PairChoice
        title="Move pictures of this gallery"
        pairs={here}
        chosen={moving}
        onChoose={setMoving}
        none="No picture of this gallery can move"
      />
      <PlanShown plan={plan} wished={wish !== null} height={150} />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained" color="primary" disabled={idle || changesOf(plan) === 0}>
          Add section
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}
