/** What each page says of one picture, where it stands on several; one page's words can be those of all. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PairView, SiteView } from '~core/view/index.ts';
import { Mono, Panel, Tag } from '../../../ui/parts/small';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { toldApart } from './toldApart';

type Strand = SiteView['strands'][number];

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const LIST = { m: 0, mt: 0.75, p: 0, listStyle: 'none' } as const;

const ROW = { py: 1, borderTop: `1px solid ${color('hair')}`, '&:first-of-type': { borderTop: 0 } };

/** Of a picture that stands in one place only there is nothing to bring together. */
export function TextsByPage({ pair: { full, name } }: { pair: PairView }) {
  const { strands } = useSite().site.view;
  const places = strands.filter((strand) => strand.full === full);
  const differ = toldApart(places);
  if (places.length < 2) return null;
  return (
    <Panel label={`Texts of ${name} by page`} sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Texts by page
      </Box>
      <Box sx={{ color: color('stone'), mt: 0.5 }}>
        {differ ? `${name} is described in different words.` : `${name} is described in the same words everywhere.`}
      </Box>
      <Box component="ul" aria-label={`Texts of ${name}`} sx={LIST}>
        {places.map((strand) => (
          <Place key={strand.id} strand={strand} others={places.filter((one) => one !== strand)} differ={differ} />
        ))}
      </Box>
    </Panel>
  );
}

interface PlaceProps {
  strand: Strand;
  others: readonly Strand[];
  differ: boolean;
}

function Place({ strand, others, differ }: PlaceProps) {
  const { site, go } = useSite();
  const { intent, busy } = useIntent();
  const { page, id, alt, caption, altStanding } = strand;
  return (
    <Box component="li" sx={ROW}>
      <PlaceLink onClick={() => go({ station: 'markup', page, strand: id })}>
        <Mono>{page}</Mono>
      </PlaceLink>
      <Box>{alt === null || altStanding === 'name' ? <Tag tone="look">no alt text</Tag> : alt || 'decorative'}</Box>
      {caption !== null && caption !== '' && <Box sx={{ color: color('stone') }}>{caption}</Box>}
      {differ && (
        <Button
          size="small"
          disabled={busy || site.readOnly}
          aria-label={`Use these on all pages: ${page}`}
          onClick={() => intent(sameWords(strand, others))}
          sx={{ mt: 0.5 }}
        >
          Use these on all pages
        </Button>
      )}
    </Box>
  );
}

/** Captions go where there is an element for one. */
const sameWords = ({ alt, caption, name }: Strand, others: readonly Strand[]): Intent => ({
  kind: 'set-words',
  items: others.map((other) => ({
    strand: other.id,
    ...(alt === null ? {} : { alt }),
    ...(caption === null || other.caption === null ? {} : { caption }),
  })),
  pictures: [],
  label: `Use the same texts of ${name} on ${countOf(others.length + 1, 'place')}`,
});
