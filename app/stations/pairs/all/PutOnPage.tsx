/** The chosen pictures in a gallery of any page, in its pattern, or under a heading of their own behind it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Intent, NewPicture } from '~core/plans/index.ts';
import { countOf, oneOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { Panel } from '../../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { asSaid } from '../../markup/tray/asSaid';
import { inPutOrder, PUT_ORDERS, type PutOrder } from './picked';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const FORM = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.25, mt: 1.25 };

const SAYS: Readonly<Record<PutOrder, string>> = {
  list: 'in the order of the list',
  taken: 'oldest first',
  newest: 'newest first',
  name: 'by name',
};

export function PutOnPage({ pairs, onDone }: { pairs: readonly PairView[]; onDone: () => void }) {
  return (
    <Panel label="Put on a page" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Put on a page
      </Box>
      {pairs.length === 0 ? (
        <Box sx={{ color: color('stone'), mt: 0.75 }}>
          Choose pictures in the list: they are written into a gallery as its other items are, wherever else they stand.
        </Box>
      ) : (
        <Put pairs={pairs} onDone={onDone} />
      )}
    </Panel>
  );
}

function Put({ pairs, onDone }: { pairs: readonly PairView[]; onDone: () => void }) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [target, setTarget] = useState(0);
  const [order, setOrder] = useState<PutOrder>('list');
  const [heading, setHeading] = useState('');
  const targets = galleryTargets(site.view.pages);
  const goes = targets[target] ?? targets[0];
  const usable = pairs.filter(({ thumbnail, trouble }) => thumbnail !== null && trouble === null);
  const pictures = asSaid(inPutOrder(usable, order), site.view.strands);
  const wish = goes && pictures.length > 0 ? wishFor(goes, pictures, heading.trim()) : null;
  const plan = usePlan(wish);
  const left = pairs.length - usable.length;
  const write = () => {
    if (!wish) return;
    intent(wish);
    onDone();
  };
  return (
    <Box sx={FORM}>
      <Box role="status">{`${countOf(pairs.length, 'picture')} chosen`}</Box>
      {left > 0 && (
        <Box sx={{ color: color('gorse') }}>
          {`${countOf(left, 'picture')} without thumbnail ${left === 1 ? 'is' : 'are'} left out. Create missing thumbnails first.`}
        </Box>
      )}
      <TextField
        select
        label="Gallery"
        value={targets.length === 0 ? '' : String(Math.min(target, targets.length - 1))}
        onChange={(event) => setTarget(Number(event.target.value))}
      >
        {targets.map(({ says }, n) => (
          <MenuItem key={says} value={String(n)}>
            {says}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Order"
        value={order}
        onChange={(event) => setOrder(oneOf(PUT_ORDERS, event.target.value))}
      >
        {PUT_ORDERS.map((one) => (
          <MenuItem key={one} value={one}>
            {SAYS[one]}
          </MenuItem>
        ))}
      </TextField>
      {goes?.gallery !== null && (
        <TextField
          label="Heading of a new section"
          value={heading}
          helperText="Empty adds them to the gallery itself."
          onChange={(event) => setHeading(event.target.value)}
        />
      )}
      <PlanShown plan={plan} wished={wish !== null} height={170} />
      <Button
        variant="contained"
        color="primary"
        disabled={busy || site.readOnly || changesOf(plan) === 0}
        onClick={write}
      >
        {`Put ${countOf(usable.length, 'picture')} on ${goes?.page ?? 'a page'}`}
      </Button>
    </Box>
  );
}

function wishFor(
  { page, gallery }: ReturnType<typeof galleryTargets>[number],
  pictures: NewPicture[],
  title: string,
): Intent {
  if (gallery !== null && title !== '') return { kind: 'add-section', page, gallery, title, pictures };
  return { kind: 'add-pictures', page, gallery, pictures };
}
