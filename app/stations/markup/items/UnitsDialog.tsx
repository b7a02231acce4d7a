/** What an item is, as the author sees it: from the picture outwards, with how many items each would make. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useEffect, useState } from 'react';
import type { UnitChoice } from '~core/plans/index.ts';
import type { PageView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { DialogFoot } from '../../../ui/parts/DialogFoot';
import { Mono, Tag } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

interface Props {
  page: PageView;
  /** An offset of the page's source: in a picture, or in what holds one. */
  at: number;
  onClose: () => void;
}

export function UnitsDialog({ page, at, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const { session, view } = site;
  const [choices, setChoices] = useState<UnitChoice[] | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void session.analysis.unitChoices(page.path, at).then((found) => {
      if (!current) return;
      setChoices(found);
      setChosen((before) => before ?? found.find(({ now }) => now)?.selector ?? found[0]?.selector ?? null);
    });
    return () => {
      current = false;
    };
    // What was said changes what items are now.
  }, [session, page.path, at, view]);
  const idle = busy || site.readOnly || chosen === null;
  const say = (gallery: boolean | null) =>
    intent({ kind: 'set-units', page: page.path, selector: chosen ?? '', gallery });
  const hints = page.hints.filter(({ selector }) => choices?.some((one) => one.selector === selector));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="units-title">
      <DialogTitle id="units-title">Which element is one item?</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75, alignContent: 'start' }}>
        <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
          From the picture outwards: choose the element that is one item, with its caption and all that goes with it. It
          is remembered in the site’s notes; the page is not changed.
        </Box>
        {choices === null && <Box role="status">Reading the page…</Box>}
        {choices?.length === 0 && <Box>There is no picture at this place. Put the cursor on an image first.</Box>}
        {choices && choices.length > 0 && (
          <RadioGroup aria-label="One item is" value={chosen ?? ''} onChange={({ target }) => setChosen(target.value)}>
            {choices.map(({ selector, says, items, now }) => (
              <FormControlLabel
                key={selector}
                value={selector}
                control={<Radio size="small" />}
                label={
                  <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'baseline' }}>
                    <Mono>{says}</Mono>
                    <Box component="span" sx={{ fontSize: '0.8125rem', color: color('stone') }}>
                      {countOf(items, 'item')}
                    </Box>
                    {now && <Tag tone="chosen">used now</Tag>}
                  </Box>
                }
              />
            ))}
          </RadioGroup>
        )}
        {hints.length > 0 && (
          <Box sx={{ fontSize: '0.8125rem' }}>
            {hints
              .map(({ selector, gallery }) =>
                gallery ? `Your choice: each ${selector} is an item.` : `Your choice: ${selector} is no gallery.`,
              )
              .join(' ')}
          </Box>
        )}
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
          <Button variant="contained" color="primary" disabled={idle} onClick={() => say(true)}>
            {choices?.find(({ selector }) => selector === chosen)?.now ? 'Confirm this element' : 'Use as items'}
          </Button>
          <Button disabled={idle} onClick={() => say(false)}>
            Not a gallery
          </Button>
          {hints.length > 0 && (
            <Button disabled={idle} onClick={() => say(null)}>
              Remove my choice
            </Button>
          )}
        </Box>
      </DialogContent>
      <DialogFoot onClose={onClose} />
    </Dialog>
  );
}
