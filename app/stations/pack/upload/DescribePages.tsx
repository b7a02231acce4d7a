/** What pages say of themselves to searches, and to whoever a link to them is sent; shown before it is written. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PageView } from '~core/view/index.ts';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { OnOff } from '../OnOff';

const PART = { borderTop: `1px solid ${color('hair')}`, mt: 1.5, pt: 1.25, fontSize: '0.8125rem' };

const FIELD = { display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start' };

export function DescribePages() {
  const { pages } = useSite().site.view;
  const [open, setOpen] = useState(false);
  const described = pages.filter(({ description }) => description !== '').length;
  const previewed = pages.filter((page) => page.previewed).length;
  return (
    <Box sx={PART}>
      <Box>{`Description: ${described} of ${countOf(pages.length, 'page')} · link preview: ${previewed}`}</Box>
      <Button sx={{ mt: 0.75 }} disabled={pages.length === 0} onClick={() => setOpen(true)}>
        Describe pages…
      </Button>
      {open && <DescribeDialog pages={pages} onClose={() => setOpen(false)} />}
    </Box>
  );
}

interface DescribeDialogProps {
  pages: readonly PageView[];
  onClose: () => void;
}

function DescribeDialog({ pages, onClose }: DescribeDialogProps) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [previews, setPreviews] = useState(false);
  const textOf = ({ path, description }: PageView) => texts[path] ?? description;
  const meant = pages
    .filter((page) => previews || textOf(page).trim() !== page.description)
    .map((page) => ({ path: page.path, description: textOf(page) }));
  const wish: Intent | null = meant.length === 0 ? null : { kind: 'describe-pages', pages: meant, previews };
  const plan = usePlan(wish);
  const count = changesOf(plan);
  const save = () => {
    if (wish) intent(wish);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="describe-title">
      <DialogTitle id="describe-title">Describe pages</DialogTitle>
      <DialogContent sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}>
        <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
          A search shows the description under the title of the page. One or two sentences of its own are best.
        </Box>
        {pages.map((page) => (
          <Description
            key={page.path}
            page={page}
            text={textOf(page)}
            onText={(text) => setTexts({ ...texts, [page.path]: text })}
          />
        ))}
        <OnOff
          label="Also write link previews: title, description and first picture, for messages that link to a page"
          on={previews}
          onSet={setPreviews}
        />
        <PlanShown plan={plan} wished={wish !== null} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || !plan?.ok || count === 0}
          onClick={save}
        >
          {`Write to ${countOf(meant.length, 'page')}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface DescriptionProps {
  page: PageView;
  text: string;
  onText: (text: string) => void;
}

/** Searches cut longer ones (common practice, no source); letters. */
const LONGEST = 160;

function Description({ page: { path, summary }, text, onText }: DescriptionProps) {
  const isLong = text.trim().length > LONGEST;
  return (
    <Box sx={FIELD}>
      <TextField
        multiline
        label={path}
        value={text}
        placeholder="no description"
        onChange={({ target }) => onText(target.value)}
        helperText={isLong ? `${text.trim().length} characters; searches cut it after about ${LONGEST}` : undefined}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ flex: '1 1 20rem' }}
      />
      {text.trim() === '' && summary !== '' && (
        <Button aria-label={`Use the first paragraph of ${path}`} onClick={() => onText(summary)}>
          Use the first paragraph
        </Button>
      )}
    </Box>
  );
}
