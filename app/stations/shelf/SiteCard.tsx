import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { countOf } from '~core/site/index.ts';
import type { SiteRecord } from '../../data/store/records';
import { facesOf } from '../../data/faces';
import { Tag } from '../../ui/parts/small';
import { color, SERIF } from '../../ui/theme';
import { sayAgo } from '../../ui/parts/times';
import { RenameSite } from './RenameSite';

/** Object URLs of a few small pictures of the site. */
function useFaces(hashes: readonly string[]): string[] {
  const [urls, setUrls] = useState<string[]>([]);
  const key = hashes.join();
  useEffect(() => {
    const made: string[] = [];
    let current = true;
    void facesOf(key.split(',').filter(Boolean)).then((faces) => {
      if (!current) return;
      made.push(...faces.map((blob) => URL.createObjectURL(blob)));
      setUrls([...made]);
    });
    return () => {
      current = false;
      made.forEach((url) => URL.revokeObjectURL(url));
    };
  }, [key]);
  return urls;
}

const CARD = {
  display: 'flex',
  alignItems: 'center',
  gap: 2.5,
  bgcolor: color('paper'),
  border: `1px solid ${color('hair')}`,
  borderRadius: 1,
  p: 2,
  mb: 1.5,
  position: 'relative',
  '&:hover': { borderColor: color('edge') },
} as const;

const FACES = {
  display: 'grid',
  gridTemplateColumns: 'repeat(3, 60px)',
  gridAutoRows: 44,
  gap: 0.5,
  width: 188,
  minHeight: 44,
};

const FACE = { width: 60, height: 44, objectFit: 'cover', borderRadius: '2px' } as const;

const NAME = {
  fontFamily: SERIF,
  fontWeight: 600,
  fontSize: '1.15rem',
  color: color('peat'),
  textDecoration: 'none',
  '&::after': { content: '""', position: 'absolute', inset: 0 },
  '&:focus-visible': { outline: 'none' },
  '&:focus-visible::after': { outline: `2px solid ${color('heather')}`, borderRadius: 1 },
} as const;

interface Props {
  site: SiteRecord;
  now: number;
  onRename: (name: string) => void;
  onRemove: () => void;
}

export function SiteCard({ site, now, onRename, onRemove }: Props) {
  const faces = useFaces(site.glance.faces);
  const { pages, pictures, broken } = site.glance;
  return (
    <Box component="li" sx={CARD}>
      <Box aria-hidden sx={FACES}>
        {faces.map((url) => (
          <Box key={url} component="img" src={url} alt="" sx={FACE} />
        ))}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box component={Link} to={`/site/${site.id}/pairs`} sx={NAME}>
          {site.name}
        </Box>
        <Box
          sx={{ color: color('stone'), fontSize: '0.8125rem' }}
        >{`${countOf(pages, 'page')}, ${countOf(pictures, 'picture file')}, changed ${sayAgo(site.changed, now)}`}</Box>
      </Box>
      {broken !== null &&
        (broken > 0 ? (
          <Tag tone="broken">{`${countOf(broken, 'strand')} broken`}</Tag>
        ) : (
          <Tag tone="whole">all strands whole</Tag>
        ))}
      {broken === null && <Tag tone="plain">not opened yet</Tag>}
      <RenameSite site={site} onRename={onRename} />
      <Tooltip title="Remove site">
        <IconButton aria-label={`Remove ${site.name}`} onClick={onRemove} sx={{ zIndex: 1 }}>
          <DeleteOutlined fontSize="small" />
        </IconButton>
      </Tooltip>
    </Box>
  );
}
