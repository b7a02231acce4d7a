/** A page of its own for each tag: plain pages that need no script, with links to one another. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { countOf, grouped } from '~core/site/index.ts';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { ACTIONS, type Arranged, Arrangement, Choice, FORM, modelsIn } from './arrangement';

const TAGS = { display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', m: 0, p: 0, border: 0 };

export function TagPages({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { pairs, collections } = site.view;
  const { attempt, reason, busy } = useAttempt(onClose);
  const tags = [
    ...grouped(
      pairs.flatMap((pair) => pair.tags),
      (tag) => tag,
    ),
  ]
    .map(([tag, all]) => ({ tag, count: all.length }))
    .sort((a, b) => a.tag.localeCompare(b.tag));
  const own = new Map(
    collections.flatMap(({ page, collected: { tag } }) => (tag === null ? [] : [[tag, page] as const])),
  );
  const [off, setOff] = useState<ReadonlySet<string>>(new Set(own.keys()));
  const [like, setLike] = useState(0);
  const [arranged, setArranged] = useState<Arranged>({ order: 'page', group: 'none', tagLinks: true });
  const models = modelsIn(site.view);
  const model = models[like] ?? models[0];
  const chosen = tags.flatMap(({ tag }) => (off.has(tag) ? [] : [tag]));
  const collected = { pages: null, tag: null, since: '', until: '', ...arranged };
  const wish: Intent | null =
    model && chosen.length > 0
      ? { kind: 'collect-tags', tags: chosen, like: { page: model.page, gallery: model.gallery }, collected }
      : null;
  const plan = usePlan(wish);
  const lacking = lackingFor(tags.length, models.length);
  if (lacking !== null)
    return (
      <Box sx={{ mt: 1 }}>
        {lacking} <Button onClick={onClose}>Close</Button>
      </Box>
    );
  const toggle = (tag: string) => setOff(new Set(off.has(tag) ? [...off].filter((one) => one !== tag) : [...off, tag]));
  return (
    <Box
      component="form"
      aria-label="New pages for tags"
      sx={FORM}
      onSubmit={(event) => {
        event.preventDefault();
        if (wish && changesOf(plan) > 0) attempt(wish);
      }}
    >
      <Box component="fieldset" sx={TAGS}>
        <Box component="legend" sx={{ p: 0, color: color('stone') }}>
          A page for each of these tags, kept up to date
        </Box>
        {tags.map(({ tag, count }) => (
          <FormControlLabel
            key={tag}
            control={<Checkbox size="small" checked={!off.has(tag)} onChange={() => toggle(tag)} />}
            label={`${tag}, ${count}${own.has(tag) ? `, has ${own.get(tag)}` : ''}`}
          />
        ))}
      </Box>
      <Choice
        label="Written like"
        value={String(like)}
        options={models.map(({ says }, n) => ({ id: String(n), says }))}
        onChoose={(id) => setLike(Number(id))}
      />
      <Arrangement arranged={arranged} onChange={setArranged} />
      <PlanShown plan={plan} wished={wish !== null} height={170} label="Planned pages" />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      <Box sx={ACTIONS}>
        <Button
          type="submit"
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
        >
          {`Create ${countOf(chosen.length, 'page')}`}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}

function lackingFor(tags: number, models: number): string | null {
  if (tags === 0) return 'No picture has a tag yet. Choose pictures in the list and tag them.';
  return models === 0 ? 'There is no gallery yet that the pages could be written like.' : null;
}
