/** Pages that show pictures of other pages: those there are, and a new one of what the list shows. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { type Collected, countOf, slugOf } from '~core/site/index.ts';
import type { CollectionView } from '~core/view/index.ts';
import { Mono, Panel, Tag } from '../../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt, useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { ACTIONS, type Arranged, Arrangement, Choice, FORM, modelsIn, sayCollected, shownBy } from './arrangement';
import type { Filter } from './picked';
import { TagPages } from './TagPages';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const LIST = { m: 0, mt: 0.5, p: 0, listStyle: 'none' } as const;

const ROW = { py: 1, borderTop: `1px solid ${color('hair')}`, '&:first-of-type': { borderTop: 0 } };

export function Collections({ filter }: { filter: Filter }) {
  const { site } = useSite();
  const { collections } = site.view;
  const [open, setOpen] = useState<'page' | 'tags' | null>(null);
  return (
    <Panel label="Page of all pictures" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Page of all pictures
      </Box>
      {collections.length === 0 && (
        <Box sx={{ color: color('stone'), mt: 0.75 }}>
          A page that shows the pictures of other pages, each with a link to its page. It changes when they change.
        </Box>
      )}
      {collections.length > 0 && (
        <Box component="ul" aria-label="Pages of all pictures" sx={LIST}>
          {collections.map((one) => (
            <Row key={one.page} collection={one} filter={filter} />
          ))}
        </Box>
      )}
      {open === null && (
        <Box sx={{ ...ACTIONS, mt: 1 }}>
          <Button disabled={site.readOnly} onClick={() => setOpen('page')}>
            New page of all pictures…
          </Button>
          <Button disabled={site.readOnly} onClick={() => setOpen('tags')}>
            New pages for tags…
          </Button>
        </Box>
      )}
      {open === 'page' && <NewCollection filter={filter} onClose={() => setOpen(null)} />}
      {open === 'tags' && <TagPages onClose={() => setOpen(null)} />}
    </Panel>
  );
}

const STANDING = {
  'in step': { tone: 'whole', says: 'up to date' },
  'out of date': { tone: 'look', says: 'out of date' },
  lost: { tone: 'broken', says: 'marks are gone' },
} as const;

interface RowProps {
  collection: CollectionView;
  filter: Filter;
}

function Row({ collection: { page, collected, standing, pictures }, filter }: RowProps) {
  const [open, setOpen] = useState(false);
  const { site, go } = useSite();
  const { intent, busy } = useIntent();
  const idle = busy || site.readOnly;
  const { tone, says } = STANDING[standing];
  return (
    <Box component="li" sx={ROW}>
      <PlaceLink onClick={() => go({ station: 'markup', page })}>
        <Mono>{page}</Mono>
      </PlaceLink>{' '}
      <Tag tone={tone}>{says}</Tag>
      <Box sx={{ color: color('stone') }}>{`${countOf(pictures, 'picture')} ${sayCollected(collected)}`}</Box>
      {standing === 'lost' && (
        <Box>The comments around its pictures were removed from the source, so it is left as it is.</Box>
      )}
      <Box sx={ACTIONS}>
        {standing === 'out of date' && (
          <Button disabled={idle} onClick={() => intent({ kind: 'update-collections', pages: [page] })}>
            {`Update ${page}`}
          </Button>
        )}
        <Button aria-expanded={open} disabled={idle} onClick={() => setOpen(!open)}>
          {`Change what ${page} shows`}
        </Button>
        <Button disabled={idle} onClick={() => intent({ kind: 'end-collection', page })}>
          {`Stop updating ${page}`}
        </Button>
      </Box>
      {open && <ChangeCollection page={page} before={collected} filter={filter} onClose={() => setOpen(false)} />}
    </Box>
  );
}

/** What the list shows is what the page will show. */
function NewCollection({ filter, onClose }: { filter: Filter; onClose: () => void }) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const [title, setTitle] = useState(filter.tag ?? 'All pictures');
  const [path, setPath] = useState<string | null>(null);
  const [like, setLike] = useState(0);
  const [arranged, setArranged] = useState<Arranged>({ order: 'page', group: 'page', tagLinks: false });
  const [entry, setEntry] = useState('');
  const galleries = modelsIn(site.view);
  const target = galleries[like] ?? galleries[0];
  const named = path ?? `${slugOf(title) || 'all'}.html`;
  const collected = { ...shownBy(filter), ...arranged };
  const wish: Intent | null =
    target && title.trim() !== '' && named.trim() !== ''
      ? {
          kind: 'collect',
          path: named.trim(),
          title: title.trim(),
          like: { page: target.page, gallery: target.gallery },
          ...(entry.trim() === '' ? {} : { entry: entry.trim() }),
          collected,
        }
      : null;
  const plan = usePlan(wish);
  if (galleries.length === 0)
    return <Box sx={{ mt: 1 }}>There is no gallery yet that the page could be written like.</Box>;
  return (
    <Box
      component="form"
      aria-label="New page of all pictures"
      sx={FORM}
      onSubmit={(event) => {
        event.preventDefault();
        if (wish && changesOf(plan) > 0) attempt(wish);
      }}
    >
      <Box sx={{ color: color('stone') }}>{`Pictures ${sayCollected(collected)}. Change which in the bar above.`}</Box>
      <TextField label="Page title" value={title} autoFocus onChange={({ target: field }) => setTitle(field.value)} />
      <TextField label="File name" value={named} onChange={({ target: field }) => setPath(field.value)} />
      <Choice
        label="Written like"
        value={String(like)}
        options={galleries.map(({ says }, n) => ({ id: String(n), says }))}
        onChoose={(id) => setLike(Number(id))}
      />
      <Arrangement arranged={arranged} onChange={setArranged} />
      {site.view.menu !== null && (
        <TextField
          label="Menu label"
          value={entry}
          helperText="Empty adds it to no menu."
          onChange={({ target: field }) => setEntry(field.value)}
        />
      )}
      <PlanShown plan={plan} wished={wish !== null} height={170} label="Planned page" />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        <Button
          type="submit"
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
        >
          {`Create ${named}`}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}

interface ChangeCollectionProps {
  page: string;
  before: Collected;
  filter: Filter;
  onClose: () => void;
}

/** Its groups and its order, and which pictures: as before, or as the list shows them now. */
function ChangeCollection({ page, before, filter, onClose }: ChangeCollectionProps) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const [arranged, setArranged] = useState<Arranged>({
    group: before.group,
    order: before.order,
    tagLinks: before.tagLinks,
  });
  const [asListed, setAsListed] = useState(false);
  const collected = { ...before, ...(asListed ? shownBy(filter) : {}), ...arranged };
  const wish: Intent = { kind: 'set-collection', page, collected };
  const plan = usePlan(wish);
  return (
    <Box component="form" aria-label={`What ${page} shows`} sx={FORM} onSubmit={(event) => event.preventDefault()}>
      <Choice
        label="Which pictures"
        value={asListed ? 'listed' : 'before'}
        options={[
          { id: 'before', says: 'as before' },
          { id: 'listed', says: 'as the bar above says' },
        ]}
        onChoose={(id) => setAsListed(id === 'listed')}
      />
      <Arrangement arranged={arranged} onChange={setArranged} />
      <PlanShown
        plan={plan}
        wished
        height={150}
        label={`Planned difference of ${page}`}
        same="It shows just that already."
      />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      <Box sx={ACTIONS}>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
          onClick={() => attempt(wish)}
        >
          {`Change ${page}`}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}
