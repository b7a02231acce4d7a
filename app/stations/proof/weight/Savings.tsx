/** What would save most: what can be written at once has its place in one change. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { countOf, inBytes, nameOf } from '~core/site/index.ts';
import type { Intent } from '~core/plans/index.ts';
import type { WeightView } from '~core/view/index.ts';
import { Mono, Panel } from '../../../ui/parts/small';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useShowSource, useSite } from '../../../ui/site/openSite';
import { useIntent, useWork } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

type Saving = WeightView['savings'][number];

/** More rows would hide what saves most. */
const SHOWN = 6;

const ROW = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) auto',
  gap: 1.5,
  py: 0.9,
  borderTop: `1px solid ${color('hair')}`,
  fontSize: '0.8125rem',
};

const TITLE = { m: 0, mb: 0.75, fontSize: '0.875rem', fontWeight: 600 };

export function Savings({ view }: { view: WeightView }) {
  const { site } = useSite();
  const showSource = useShowSource();
  const { intent, busy } = useIntent();
  const shown = view.savings.slice(0, SHOWN);
  const certain = shown.filter(isCertain);
  return (
    <Panel label="What would save most" sx={{ p: 1.75 }}>
      <Box component="h2" sx={TITLE}>
        What would save most
      </Box>
      {shown.length === 0 && (
        <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
          Nothing found: no picture is loaded far larger than it is shown, and none far below the window comes at once.
        </Box>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {shown.map((saving) => (
          <Box component="li" key={keyOf(saving)} sx={ROW}>
            <Box sx={{ overflowWrap: 'anywhere' }}>
              {says(saving)}{' '}
              <PlaceLink onClick={() => showSource(view.page, saving.start)}>
                <Mono>{`line ${saving.line}`}</Mono>
              </PlaceLink>
              <Further page={view.page} saving={saving} />
            </Box>
            <Box sx={{ color: color('lichen'), fontWeight: 600, textAlign: 'right' }}>
              {`${isGuess(saving) ? 'about ' : ''}−${inBytes(saving.bytes)}`}
              {saving.kind === 'lazy' && <Box sx={{ fontWeight: 400 }}>at first</Box>}
            </Box>
          </Box>
        ))}
      </Box>
      {certain.length > 0 && (
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly}
          onClick={() => intent(changeFor(view.page, certain))}
          sx={{ mt: 1 }}
        >
          {certain.length === 1 ? 'Change this one' : `Change these ${certain.length}`}
        </Button>
      )}
    </Panel>
  );
}

const keyOf = (saving: Saving): string => (saving.kind === 'smaller' ? saving.element.join('.') : saving.kind);

/** The file that would save it is not there yet. */
const isGuess = (saving: Saving): boolean =>
  (saving.kind === 'smaller' && saving.instead === null) || (saving.kind === 'webp' && !saving.made);

/** It can be written without asking anything. */
const isCertain = (saving: Saving): boolean =>
  saving.kind === 'lazy' || (saving.kind === 'smaller' && saving.instead !== null);

function says(saving: Saving): string {
  if (saving.kind === 'lazy') {
    const { length } = saving.elements;
    return `${countOf(length, 'picture')} below the window could wait until scrolled to, with loading="lazy"`;
  }
  if (saving.kind === 'webp')
    return `${countOf(saving.count, 'JPEG picture')} could be offered as WebP too, with picture`;
  const { path, width, shown, instead } = saving;
  const what = `${nameOf(path)} is ${width} px wide and shown ${shown} px wide;`;
  return instead === null ? `${what} there is no smaller file yet` : `${what} ${instead} would do`;
}

const changeFor = (page: string, savings: readonly Saving[]): Intent => ({
  kind: 'save-bytes',
  page,
  lazy: savings.flatMap((one) => (one.kind === 'lazy' ? one.elements : [])),
  instead: savings.flatMap((one) =>
    one.kind === 'smaller' && one.instead !== null ? [{ element: one.element, path: one.instead }] : [],
  ),
});

/** What is shown before it is written, or has to be made first. */
function Further({ page, saving }: { page: string; saving: Saving }) {
  const { site } = useSite();
  const { work, busy } = useWork();
  const { intent, busy: planning } = useIntent('shown');
  const idle = busy || planning || site.readOnly;
  if (saving.kind === 'lazy' || (saving.kind === 'smaller' && saving.make === null)) return null;
  const makeWebp = async () => work({ do: 'make', tasks: await site.session.analysis.webpToMake([page]) });
  if (saving.kind === 'smaller') {
    const { path, make } = saving;
    const says = `Create a smaller ${nameOf(path)}`;
    return (
      <Button size="small" disabled={idle} onClick={() => make && work({ do: 'make', tasks: [make] })} sx={FURTHER}>
        {says}
      </Button>
    );
  }
  if (!saving.made)
    return (
      <Button size="small" disabled={idle} onClick={() => void makeWebp()} sx={FURTHER}>
        {`Create ${countOf(saving.count, 'WebP file')}`}
      </Button>
    );
  return (
    <Button size="small" disabled={idle} onClick={() => intent({ kind: 'offer-webp', pages: [page] })} sx={FURTHER}>
      Offer WebP on this page
    </Button>
  );
}

const FURTHER = { display: 'block', mt: 0.5 } as const;
