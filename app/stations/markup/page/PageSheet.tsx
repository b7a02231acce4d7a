/** What concerns a page as a whole: its file, its stylesheets, its sections, and its end. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { isMarkdownPath, isStylePath } from '~core/site/index.ts';
import type { PageView } from '~core/view/index.ts';
import { Mono, Part } from '../../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { Beside } from '../Beside';
import { Sections } from './Sections';

const PARTS = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2.5, alignContent: 'start', pt: 1 };

export function PageSheet({ page, onClose }: { page: PageView; onClose: () => void }) {
  const { site } = useSite();
  const idle = site.readOnly;
  return (
    <Beside title="This page" says={page.title} onClose={onClose}>
      <Box sx={PARTS}>
        <FileName key={`name of ${page.path}`} page={page} idle={idle} />
        <Stylesheets page={page} idle={idle} />
        <TextFile page={page} idle={idle} />
        <Sections key={page.path} page={page} idle={idle} />
        <Deletion page={page} idle={idle} onClose={onClose} />
      </Box>
    </Beside>
  );
}

function FileName({ page: { path }, idle: locked }: { page: PageView; idle: boolean }) {
  const { go } = useSite();
  const { intent, busy } = useIntent('seen');
  const idle = locked || busy;
  const [to, setTo] = useState(path);
  const wished = to.trim() !== '' && to.trim() !== path;
  const wish: Intent | null = wished ? { kind: 'rename', from: path, to: to.trim() } : null;
  const plan = usePlan(wish);
  return (
    <Part title="File">
      <Box
        component="form"
        sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
        onSubmit={(event) => {
          event.preventDefault();
          if (!wish || !plan?.ok) return;
          intent(wish);
          go({ page: to.trim() });
        }}
      >
        <TextField
          label="Path in the site"
          value={to}
          disabled={idle}
          onChange={({ target }) => setTo(target.value)}
          helperText="Another folder moves the page. Every address that leads to it, and each in it, is put right; what may mean it besides is shown."
          sx={{ flex: 1 }}
        />
        <Button type="submit" disabled={idle || !plan?.ok}>
          Rename
        </Button>
      </Box>
      {wished && <PlanShown plan={plan} wished height={110} />}
    </Part>
  );
}

const STYLESHEET = { display: 'flex', alignItems: 'center', gap: 1, borderTop: `1px solid ${color('hair')}` };

function Stylesheets({ page, idle: locked }: { page: PageView; idle: boolean }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const idle = locked || busy;
  const stylesheets = site.view.files.flatMap(({ path }) => (isStylePath(path) ? [path] : []));
  const pages = site.view.pages.map(({ path }) => path);
  return (
    <Part title="Stylesheets">
      {stylesheets.length === 0 && (
        <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>The site has no stylesheet yet.</Box>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {stylesheets.map((stylesheet) => {
          const on = page.styles.includes(stylesheet);
          const everywhere = site.view.pages.every(({ styles }) => styles.includes(stylesheet));
          return (
            <Box component="li" key={stylesheet} sx={STYLESHEET}>
              <FormControlLabel
                control={
                  <Checkbox
                    size="small"
                    checked={on}
                    disabled={idle}
                    onChange={() => intent({ kind: 'set-stylesheet', pages: [page.path], stylesheet, on: !on })}
                  />
                }
                label={<Mono>{stylesheet}</Mono>}
                sx={{ flex: 1 }}
              />
              <Button
                disabled={idle || everywhere}
                onClick={() => intent({ kind: 'set-stylesheet', pages, stylesheet, on: true })}
                aria-label={`Attach to every page: ${stylesheet}`}
              >
                Attach to every page
              </Button>
            </Box>
          );
        })}
      </Box>
    </Part>
  );
}

/** The Markdown file that the page has its text from, or may have it from. */
function TextFile({ page: { path, text }, idle: locked }: { page: PageView; idle: boolean }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const idle = locked || busy;
  const files = site.view.files.flatMap((file) => (isMarkdownPath(file.path) ? [file.path] : []));
  const [chosen, setChosen] = useState('');
  const source = files.includes(chosen) ? chosen : (files[0] ?? '');
  if (text)
    return (
      <Part title="Text">
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Box sx={{ flex: 1, fontSize: '0.8125rem' }}>
            Made from <Mono>{text.source}</Mono>, which stays in the site.
          </Box>
          <Button disabled={idle} onClick={() => intent({ kind: 'part-text', page: path })}>
            Keep the text in the page alone
          </Button>
        </Box>
      </Part>
    );
  if (files.length === 0) return null;
  return (
    <Part title="Text">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          select
          label="Markdown file"
          value={source}
          disabled={idle}
          onChange={({ target }) => setChosen(target.value)}
          helperText="Comes behind the words of the page, and is its source from then on."
          sx={{ flex: 1 }}
        >
          {files.map((file) => (
            <MenuItem key={file} value={file}>
              {file}
            </MenuItem>
          ))}
        </TextField>
        <Button disabled={idle} onClick={() => intent({ kind: 'put-text', page: path, source, offset: null })}>
          Put the file on the page
        </Button>
      </Box>
    </Part>
  );
}

/** Shown with all that it would change before it is done. */
function Deletion({ page: { path }, idle: locked, onClose }: { page: PageView; idle: boolean; onClose: () => void }) {
  const { go } = useSite();
  const { intent, busy } = useIntent('seen');
  const idle = locked || busy;
  const [asked, setAsked] = useState(false);
  const wish: Intent | null = asked ? { kind: 'delete-page', path } : null;
  const plan = usePlan(wish);
  const end = useRef<HTMLDivElement>(null);
  // What would go is shown below the rest of the sheet.
  useEffect(() => {
    if (asked) end.current?.scrollIntoView({ block: 'nearest' });
  }, [asked, plan]);
  return (
    <Part title="Delete">
      {asked ? (
        <>
          <PlanShown plan={plan} wished height={150} />
          {plan?.ok && (
            <Box
              sx={{ fontSize: '0.8125rem' }}
            >{`${plan.change.label}. Its pictures stay in the site, and it can be undone.`}</Box>
          )}
          <Box ref={end} sx={{ display: 'flex', gap: 1 }}>
            <Button
              variant="contained"
              color="primary"
              disabled={idle || changesOf(plan) === 0}
              onClick={() => {
                if (wish) intent(wish);
                onClose();
                go({ page: null, strand: null });
              }}
            >{`Delete ${path}`}</Button>
            <Button onClick={() => setAsked(false)}>Cancel</Button>
          </Box>
        </>
      ) : (
        <Button disabled={idle} onClick={() => setAsked(true)} sx={{ justifySelf: 'start' }}>
          Delete this page…
        </Button>
      )}
    </Part>
  );
}
