/** Picture files without a partner: dragged onto a row, or paired by a button. */
import { useDraggable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { SiteView } from '~core/view/index.ts';
import { Mono, Picture, Panel, Tag } from '../../ui/parts/small';
import { color } from '../../ui/theme';

interface TrayProps {
  loose: SiteView['loose'];
  idle: boolean;
  /** Whether there are pictures that they may belong to. */
  hasPairs: boolean;
  onPairByHand: (thumbnail: string) => void;
}

const HEAD = { display: 'flex', gap: 1.5, alignItems: 'baseline', mb: 1 };

const LIST = { m: 0, p: 0, listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 1.5 } as const;

/** So many are drawn at a time: thousands would hold the page. */
const AT_A_TIME = 100;

export function LooseTray({ loose, idle, hasPairs, onPairByHand }: TrayProps) {
  const [shown, setShown] = useState(AT_A_TIME);
  return (
    <Panel label="Unpaired files" sx={{ px: 1.75, py: 1.25, mt: 1.5 }}>
      <Box sx={HEAD}>
        <b>Unpaired</b>
        <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
          {hasPairs
            ? 'thumbnails with no full-size picture; drag one onto the row that it belongs to'
            : 'thumbnails with no full-size picture; import the folder with the pictures that they are of'}
        </Box>
      </Box>
      <Box component="ul" sx={LIST}>
        {loose.slice(0, shown).map((file) => (
          <LooseFile key={file.path} {...file} idle={idle} onPairByHand={onPairByHand} />
        ))}
      </Box>
      {loose.length > shown && (
        <Button size="small" sx={{ mt: 1 }} onClick={() => setShown(shown + AT_A_TIME)}>
          {`Show more of ${loose.length}`}
        </Button>
      )}
    </Panel>
  );
}

function LooseFile({
  path,
  unused,
  idle,
  onPairByHand,
}: SiteView['loose'][number] & Omit<TrayProps, 'loose' | 'hasPairs'>) {
  const { setNodeRef, listeners } = useDraggable({ id: `loose ${path}`, data: { thumbnail: path }, disabled: idle });
  return (
    <Box component="li" sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
      <Box ref={setNodeRef} {...listeners} sx={{ touchAction: 'none', cursor: 'grab' }}>
        <Picture path={path} width={44} height={34} />
      </Box>
      <Mono>{path}</Mono>
      {unused && <Tag tone="plain">on no page</Tag>}
      <Button size="small" disabled={idle} onClick={() => onPairByHand(path)}>
        Pair with…
      </Button>
    </Box>
  );
}
