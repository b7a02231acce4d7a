/**
 * Work on the items of a gallery, one or many: what they lack, their order, their attributes and words, and where
 * else they go.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import type { Range } from '~core/markup/index.ts';
import type { Strand } from '~core/model/index.ts';
import type { Intent } from '~core/plans/index.ts';
import type { GalleryView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { DialogFoot } from '../../../ui/parts/DialogFoot';
import { Part } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { CopyTo, MoveTo } from './ChosenItems';
import { FillWords, OnLinks } from './EveryItem';
import { FeedRest } from './FeedRest';
import { ItemList } from './ItemList';
import { ItemSlots } from './ItemSlots';
import { REASON } from './reason';
import { SplitIntoPages } from './SplitIntoPages';

interface Props {
  page: string;
  number: number;
  gallery: GalleryView;
  strands: readonly Strand[];
  /** Strands that are chosen when it opens. */
  chosenFirst: readonly string[];
  /** Somebody says that an item is another element. */
  onUnits: (at: number) => void;
  /** Somebody chooses where an item's link leads. */
  onLink: (at: Range) => void;
  onClose: () => void;
}

export function ItemsDialog({ page, number, gallery, strands, chosenFirst, onUnits, onLink, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(chosenFirst));
  const idle = busy || site.readOnly;
  const marked = strands.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const none = marked.length === 0;
  const only = marked.length === 1 ? strands.find(({ id }) => id === marked[0]) : undefined;
  // What stands where changes with every change, so what was chosen by its place is let go.
  const act = (wish: Intent) => {
    intent(wish);
    setChosen(new Set());
  };
  const oddOf = (id: string) => gallery.odd.filter(({ strand }) => strand === id);
  const mendable = strands.flatMap(({ id, item }) => (oddOf(id).some(({ value }) => value !== null) ? [item] : []));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="items-title">
      <DialogTitle id="items-title">{`${countOf(strands.length, 'item')} on ${page}`}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 300px', gap: 2.5 }}>
        <ItemList strands={strands} chosen={chosen} onChoose={setChosen} oddOf={oddOf} />
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <Part title={none ? 'No item chosen' : `${countOf(marked.length, 'item')} chosen`}>
            {none ? (
              <Box sx={REASON}>Choose items on the left to move, copy or remove them, or one to edit its texts.</Box>
            ) : (
              <>
                <MoveTo
                  count={strands.length}
                  disabled={idle}
                  onMove={(to) => act({ kind: 'move-items', strands: marked, to })}
                />
                <CopyTo disabled={idle} onCopy={(to) => act({ kind: 'copy-items', strands: marked, ...to })} />
                <Button disabled={idle} onClick={() => act({ kind: 'remove-items', strands: marked })}>
                  {`Remove ${countOf(marked.length, 'item')}`}
                </Button>
              </>
            )}
          </Part>
          {only && (
            <Part title={`Item ${only.item + 1}, ${only.name}`}>
              <ItemSlots
                key={only.id}
                strand={only}
                disabled={site.readOnly}
                busy={busy}
                onSet={(slot, value) => intent({ kind: 'set-slot', strand: only.id, slot, value })}
                onLink={only.linkable && onLink}
              />
            </Part>
          )}
          {mendable.length > 0 && (
            <Part
              title={`${countOf(mendable.length, 'item')} ${mendable.length === 1 ? 'lacks' : 'lack'} what all neighbours have`}
            >
              <Button
                disabled={idle}
                onClick={() => act({ kind: 'complete-items', page, gallery: number, items: mendable })}
              >
                Add what is missing
              </Button>
            </Part>
          )}
          {gallery.miscounted > 0 && (
            <Part title={`${countOf(gallery.miscounted, 'counter')} with a wrong number`}>
              <Button disabled={idle} onClick={() => act({ kind: 'renumber', page, gallery: number })}>
                Renumber
              </Button>
            </Part>
          )}
          <SplitIntoPages
            gallery={gallery}
            disabled={idle}
            onSplit={(size) => act({ kind: 'split-gallery', page, gallery: number, size })}
          />
          {gallery.spread === null && strands.length > 1 && (
            <FeedRest
              page={page}
              count={strands.length}
              disabled={idle}
              onFeed={(first, path) => act({ kind: 'feed-rest', page, gallery: number, first, path })}
            />
          )}
          <OnLinks
            disabled={idle}
            onSet={(name, value) => act({ kind: 'set-on-links', page, gallery: number, name, value })}
          />
          <Part title="Which element is one item?">
            <Button disabled={!strands[0]} onClick={() => strands[0] && onUnits(strands[0].range.start)}>
              Choose the element
            </Button>
          </Part>
          <FillWords disabled={idle} onFill={(fill) => act({ kind: 'fill-words', page, gallery: number, ...fill })} />
        </Box>
      </DialogContent>
      <DialogFoot onClose={onClose} />
    </Dialog>
  );
}
