/** Where a page has its text from, one press away; and where both say different things, which of them leads. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { PageView } from '~core/view/index.ts';
import { Fixes, Mono, Panel } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';

const STRIP = {
  display: 'flex',
  alignItems: 'center',
  flexWrap: 'wrap',
  gap: 1.25,
  px: 1.75,
  py: 0.75,
  mb: 1.5,
} as const;

/** A question stands above its answers. */
const WORDS = { flex: 1, minWidth: 220, color: color('stone') } as const;
const QUESTION = { flexBasis: '100%', color: color('rust') } as const;

interface Props {
  page: PageView;
  /** In the editor: the page or its text. */
  file: string;
}

export function TextFrom({ page: { path, text }, file }: Props) {
  const { site, go } = useSite();
  if (!text) return null;
  const { source } = text;
  const finding = site.view.findings.find(({ rule, place }) => rule === 'text-apart' && place.path === path);
  const other = file === source ? path : source;
  return (
    <Panel label="Text of the page" sx={STRIP}>
      <Box role={finding ? 'alert' : undefined} sx={finding ? QUESTION : WORDS}>
        {finding ? (
          finding.says
        ) : (
          <>
            The text of <Mono>{path}</Mono> is made from <Mono>{source}</Mono>.
          </>
        )}
      </Box>
      {finding && !site.readOnly && <Fixes finding={finding.id} fixes={finding.fixes} most={3} />}
      <Button onClick={() => go({ page: other, strand: null })}>{`Open ${other}`}</Button>
    </Panel>
  );
}
