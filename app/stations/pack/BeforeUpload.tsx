/** What is to be known before a site is uploaded: broken strands, findings, places in pictures, unused pictures. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { countOf } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { Panel } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color, type Token } from '../../ui/theme';
import { OnOff } from './OnOff';

interface BeforeUploadProps {
  unused: readonly string[];
  leftOut: ReadonlySet<string>;
  without: boolean;
  onWithout: (without: boolean) => void;
}

export function BeforeUpload({ unused, leftOut, without, onWithout }: BeforeUploadProps) {
  const { view } = useSite().site;
  const { findings, strands } = view;
  const places = placesIn(view, leftOut);
  const whole = strands.filter((strand) => strand.state !== 'broken').length;
  return (
    <Panel label="Before upload" sx={{ p: 1.75 }}>
      <Typography variant="h2" sx={{ fontSize: '0.9rem', fontFamily: 'inherit', mb: 1 }}>
        Before upload
      </Typography>
      <Line
        tone={whole === strands.length ? 'lichen' : 'rust'}
        word={whole === strands.length ? 'whole' : 'broken'}
        says={`${whole === strands.length ? whole : strands.length - whole} of ${countOf(strands.length, 'strand')}`}
      />
      {!view.exercise && (
        <Line
          tone={findings.length === 0 ? 'lichen' : 'gorse'}
          word="open"
          says={findings.length === 0 ? 'no findings' : `${countOf(findings.length, 'finding')}, see Proof`}
        />
      )}
      {places.removed > 0 && (
        <Line tone="lichen" word="location" says={`removed from ${countOf(places.removed, 'picture')}`} />
      )}
      {places.kept > 0 && (
        <Line tone="gorse" word="location" says={`kept on purpose in ${countOf(places.kept, 'picture')}`} />
      )}
      <Line
        tone={unused.length === 0 ? 'lichen' : 'gorse'}
        word="unused"
        says={unused.length === 0 ? 'no picture' : `${countOf(unused.length, 'picture')} on no page`}
      />
      <Names />
      {unused.length > 0 && <OnOff label="Leave unused pictures out" on={without} onSet={onWithout} />}
    </Panel>
  );
}

/** More are listed in Proof. */
const MOST_SHOWN = 4;

/** Files whose names fail on other computers or hosts. */
function Names() {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const named = site.view.findings.filter(({ station }) => station === 'pack');
  const renames = named.flatMap(({ fixes }) => fixes.flatMap((fix) => (fix.kind === 'rename' ? [fix] : [])));
  if (named.length === 0) return null;
  return (
    <>
      <Line
        tone="rust"
        word="names"
        says={`${countOf(named.length, 'file')} whose ${named.length === 1 ? 'name fails' : 'names fail'} elsewhere`}
      />
      <Box component="ul" aria-label="File names that fail elsewhere" sx={{ m: 0, my: 0.5, pl: 2.25 }}>
        {named.slice(0, MOST_SHOWN).map(({ id, says, why }) => (
          <Box component="li" key={id} sx={{ fontSize: '0.8125rem', overflowWrap: 'anywhere', mb: 0.5 }}>
            {says}
            <Box sx={{ color: color('stone'), fontSize: '0.75rem' }}>{why}</Box>
          </Box>
        ))}
      </Box>
      {named.length > MOST_SHOWN && <Box sx={{ fontSize: '0.8125rem' }}>{`and ${named.length - MOST_SHOWN} more`}</Box>}
      {renames.length > 0 && (
        <Button
          disabled={busy || site.readOnly}
          onClick={() => intent({ kind: 'rename-many', renames: renames.map(({ from, to }) => ({ from, to })) })}
        >
          {`Rename ${countOf(renames.length, 'file')}`}
        </Button>
      )}
    </>
  );
}

/** Pictures that say where they were taken, and what becomes of it. */
function placesIn({ parcel }: SiteView, leftOut: ReadonlySet<string>): { removed: number; kept: number } {
  const leaving = parcel.filter(({ path }) => !leftOut.has(path));
  return {
    removed: leaving.filter(({ place }) => place === 'removed').length,
    kept: leaving.filter(({ place }) => place === 'kept').length,
  };
}

interface LineProps {
  tone: Token;
  word: string;
  says: string;
}

function Line({ tone, word, says }: LineProps) {
  return (
    <Box sx={{ fontSize: '0.8125rem', py: 0.25 }}>
      <Box component="span" sx={{ color: color(tone), fontWeight: 600, mr: 0.75 }}>
        {word}
      </Box>
      {says}
    </Box>
  );
}
