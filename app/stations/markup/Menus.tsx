/** The menu that pages share: pages against entries, and what brings them together. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { EntryState, MenuView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { DialogFoot } from '../../ui/parts/DialogFoot';
import { Mono, Tag, type Tone } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';

const STATES: Readonly<Record<EntryState, { tone: Tone; says: string }>> = {
  whole: { tone: 'plain', says: 'there' },
  own: { tone: 'chosen', says: 'this page' },
  missing: { tone: 'broken', says: 'missing' },
  dummy: { tone: 'broken', says: 'broken link' },
  label: { tone: 'look', says: 'different label' },
  mark: { tone: 'look', says: 'wrong current-page mark' },
};

const TABLE = {
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: '0.8125rem',
  '& th, & td': {
    textAlign: 'left',
    px: 1,
    py: 0.75,
    borderBottom: `1px solid ${color('hair')}`,
    verticalAlign: 'top',
  },
  '& thead th': { fontWeight: 600 },
} as const;

const DIFFERENCE = { display: 'flex', alignItems: 'center', gap: 1, mb: 2 };

export function Menus({ menu, onClose }: { menu: MenuView; onClose: () => void }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const idle = busy || site.readOnly;
  const drifted = menu.pages.reduce(
    (sum, { stands }) => sum + stands.filter((one) => one !== 'whole' && one !== 'own').length,
    0,
  );
  const unlisted = site.view.pages.filter(({ path }) => !menu.entries.some(({ target }) => target === path));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="menus-title">
      <DialogTitle id="menus-title">{`The menu of ${countOf(menu.pages.length, 'page')}`}</DialogTitle>
      <DialogContent>
        <Box sx={{ overflowX: 'auto', mb: 2 }} tabIndex={0} role="region" aria-label="Pages and menu entries">
          <Box component="table" sx={TABLE}>
            <thead>
              <tr>
                <th scope="col">page</th>
                {menu.entries.map(({ target, label }) => (
                  <th key={target} scope="col">
                    {label}
                    <Box sx={{ fontWeight: 400 }}>
                      <Mono tone="stone">{target}</Mono>
                    </Box>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {menu.pages.map(({ path, stands }) => (
                <tr key={path}>
                  <Box component="th" scope="row" sx={{ fontWeight: 400 }}>
                    <Mono>{path}</Mono>
                  </Box>
                  {stands.map((state, n) => (
                    <td key={menu.entries[n]?.target}>
                      <Tag tone={STATES[state].tone}>{STATES[state].says}</Tag>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
        {menu.without.length > 0 && (
          <Box
            sx={{ fontSize: '0.8125rem', color: color('stone'), mb: 1.5 }}
          >{`Without this menu: ${menu.without.join(', ')}. They are not changed.`}</Box>
        )}
        <Box sx={DIFFERENCE}>
          <Box sx={{ flex: 1, fontSize: '0.8125rem' }}>
            {drifted === 0 ? 'All menus match.' : `${countOf(drifted, 'place')} where a menu differs from most others.`}
          </Box>
          <Button disabled={idle || drifted === 0} onClick={() => intent({ kind: 'align-menus' })}>
            Make all menus match
          </Button>
        </Box>
        {unlisted.length > 0 && (
          <Enter
            pages={unlisted}
            idle={idle}
            onEnter={(target, label) => intent({ kind: 'add-menu-entry', target, label })}
          />
        )}
      </DialogContent>
      <DialogFoot onClose={onClose} />
    </Dialog>
  );
}

interface EnterProps {
  pages: readonly { path: string; title: string }[];
  idle: boolean;
  onEnter: (target: string, label: string) => void;
}

function Enter({ pages, idle, onEnter }: EnterProps) {
  const [chosen, setChosen] = useState(pages[0]?.path ?? '');
  const target = pages.some(({ path }) => path === chosen) ? chosen : (pages[0]?.path ?? '');
  const [label, setLabel] = useState('');
  return (
    <Box component="section" aria-label="A page in no menu" sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
      <TextField
        select
        label="Page in no menu"
        value={target}
        onChange={({ target: { value } }) => setChosen(value)}
        sx={{ minWidth: 220 }}
      >
        {pages.map(({ path }) => (
          <MenuItem key={path} value={path}>
            {path}
          </MenuItem>
        ))}
      </TextField>
      <TextField label="Label" value={label} onChange={({ target: { value } }) => setLabel(value)} sx={{ flex: 1 }} />
      <Button disabled={idle || label.trim() === ''} onClick={() => onEnter(target, label.trim())}>
        Add to every menu
      </Button>
    </Box>
  );
}
