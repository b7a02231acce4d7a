/** Galleries that follow a list or a folder, and the ways to and from lists. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { ListSource } from '~core/site/index.ts';
import { countOf } from '~core/site/index.ts';
import type { FollowView } from '~core/view/index.ts';
import { Mono, Panel, Tag } from '../../../ui/parts/small';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { ACTIONS } from '../all/arrangement';
import { ListDialog } from './ListDialog';
import { SaveList } from './SaveList';
import type { Chosen } from './Source';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const LIST = { m: 0, mt: 0.5, p: 0, listStyle: 'none' } as const;

const ROW = { py: 1, borderTop: `1px solid ${color('hair')}`, '&:first-of-type': { borderTop: 0 } };

const nameOfSource = ({ path }: ListSource): string => path || 'the folder of the site';

/** Which rows, where it is not all of them. */
function sayPart({ part }: ListSource): string {
  if (!part) return '';
  return part.to === null ? `, from row ${part.from + 1}` : `, rows ${part.from + 1} to ${part.to}`;
}

export function Lists() {
  const { site } = useSite();
  const { follows } = site.view;
  const [open, setOpen] = useState<'list' | 'save' | FollowView | null>(null);
  const close = () => setOpen(null);
  return (
    <Panel label="Lists" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Lists
      </Box>
      {follows.length === 0 && (
        <Box sx={{ color: color('stone'), mt: 0.75 }}>
          A gallery can follow a list (CSV, JSON, XML, Markdown) or a folder: what differs is shown, and taken over when
          you want it.
        </Box>
      )}
      {follows.length > 0 && (
        <Box component="ul" aria-label="Galleries that follow a list" sx={LIST}>
          {follows.map((one) => (
            <Row key={`${one.page} ${one.source.path}`} follow={one} onOpen={() => setOpen(one)} />
          ))}
        </Box>
      )}
      {open === 'save' ? (
        <SaveList onClose={close} />
      ) : (
        <Box sx={{ ...ACTIONS, mt: 1 }}>
          <Button disabled={site.readOnly} onClick={() => setOpen('list')}>
            Follow a list…
          </Button>
          <Button onClick={() => setOpen('save')}>Save a gallery as a list…</Button>
        </Box>
      )}
      {open === 'list' && <ListDialog onClose={close} />}
      {open !== null && typeof open === 'object' && (
        <ListDialog start={{ chosen: chosenOf(open), page: open.page, gallery: open.gallery }} onClose={close} />
      )}
    </Panel>
  );
}

const chosenOf = ({ source }: FollowView): Chosen => ({
  source,
  text: null,
  remark: null,
  trouble: null,
  isEncoded: false,
});

function Row({ follow, onOpen }: { follow: FollowView; onOpen: () => void }) {
  const { site, go } = useSite();
  const { intent, busy } = useIntent();
  const { page, source, news, byHand, reason } = follow;
  const name = nameOfSource(source);
  return (
    <Box component="li" sx={ROW}>
      <PlaceLink onClick={() => go({ station: 'markup', page })}>
        <Mono>{page}</Mono>
      </PlaceLink>{' '}
      follows <Mono>{name}</Mono>
      {sayPart(source)} <Standing follow={follow} />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      {byHand > 0 && (
        <Box sx={{ color: color('stone') }}>{`${countOf(byHand, 'difference')} changed on the page by hand`}</Box>
      )}
      <Box sx={ACTIONS}>
        <Button disabled={site.readOnly} onClick={onOpen}>
          {news > 0 ? `Show differences from ${name}` : `Open ${name}`}
        </Button>
        <Button
          disabled={busy || site.readOnly}
          onClick={() => intent({ kind: 'end-following', page, path: source.path })}
        >
          {`Stop following ${name}`}
        </Button>
      </Box>
    </Box>
  );
}

function Standing({ follow: { news, reason } }: { follow: FollowView }) {
  if (reason !== null) return <Tag tone="broken">cannot be read</Tag>;
  return news > 0 ? <Tag tone="look">{countOf(news, 'difference')}</Tag> : <Tag tone="whole">up to date</Tag>;
}
