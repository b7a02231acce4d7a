/** What a visitor waits for: computed on a line and in a window, and measured in the preview. */
import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import type { WeightView } from '~core/view/index.ts';
import { besideColumn } from '../../../ui/narrow';
import { Panel } from '../../../ui/parts/small';
import { useWidth } from '../../../ui/parts/useWidth';
import type { Weighed } from '../../../ui/preview/measure';
import { color } from '../../../ui/theme';
import { FilesOverTime } from './FilesOverTime';
import { Limit } from './Limit';
import { Moves } from './Moves';
import { Savings } from './Savings';
import { Soft } from './Soft';
import { SlowPage } from './SlowPage';
import { useWeight, type LineName, type WeightChoice } from './useWeight';
import { WeightChart } from './WeightChart';

const LINES: readonly { name: LineName; says: string }[] = [
  { name: 'phone', says: 'slow phone' },
  { name: '4g', says: '4G' },
  { name: 'cable', says: 'cable' },
];

/** Widths of windows that people try first; CSS px (common practice, no source). */
const WIDTHS = [390, 768, 1280] as const;

const COLUMNS = besideColumn(304);

const HEAD = { display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1.75, pt: 1.5 } as const;

const TITLE = { m: 0, flex: '1 1 100%', fontSize: '0.875rem', fontWeight: 600 } as const;

const FOOT = { px: 1.75, pb: 1.5, fontSize: '0.75rem', color: color('stone') };

/** What was measured, and of which choice. */
interface Measured {
  key: string;
  weighed: Weighed;
}

export function PageWeight({ path }: { path: string }) {
  const [choice, setChoice] = useState<WeightChoice>({ line: 'phone', again: false, width: 1280 });
  const [measured, setMeasured] = useState<Measured | null>(null);
  const { box, width } = useWidth();
  const view = useWeight(path, choice);
  const key = `${path} ${choice.line} ${choice.width}`;
  const weighed = measured?.key === key ? measured.weighed : null;
  return (
    <Box sx={COLUMNS}>
      <Panel label="When a visitor sees each picture" sx={{ minWidth: 0 }}>
        <Choices choice={choice} onChoose={setChoice} />
        <Box ref={box} sx={{ px: 1, minHeight: 440 }}>
          {width > 0 && view && (
            <WeightChart view={view} measured={choice.again ? [] : (weighed?.files ?? [])} width={width} />
          )}
          {!view && (
            <Box role="status" sx={{ p: 1, color: color('stone') }}>
              Looking where the pictures stand…
            </Box>
          )}
        </Box>
        <Box sx={FOOT}>
          Line: bytes so far, computed · rings: as this browser measured it · a picture hangs where it is there · name
          lookup, encryption and compression of texts are not counted
        </Box>
        {view && <FilesOverTime view={view} />}
      </Panel>
      <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
        {view && <Beside view={view} />}
        <SlowPage
          key={key}
          path={path}
          choice={choice}
          weighed={weighed}
          onWeighed={(now) => setMeasured(now && { key, weighed: now })}
        />
        {weighed && <Moves shift={weighed.shift} width={choice.width} />}
      </Box>
    </Box>
  );
}

const Beside = ({ view }: { view: WeightView }) => (
  <>
    <Limit view={view} />
    <Savings view={view} />
    <Soft view={view} />
  </>
);

function Choices({ choice, onChoose }: { choice: WeightChoice; onChoose: (choice: WeightChoice) => void }) {
  const set = (part: Partial<WeightChoice> | null) => part && onChoose({ ...choice, ...part });
  return (
    <Box sx={HEAD}>
      <Box component="h2" sx={TITLE}>
        When a visitor sees each picture
      </Box>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Line"
        value={choice.line}
        onChange={(_event, line: LineName | null) => set(line && { line })}
      >
        {LINES.map(({ name, says }) => (
          <ToggleButton key={name} value={name}>
            {says}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Visit"
        value={choice.again ? 'again' : 'first'}
        onChange={(_event, visit: string | null) => set(visit === null ? null : { again: visit === 'again' })}
      >
        <ToggleButton value="first">first visit</ToggleButton>
        <ToggleButton value="again">again</ToggleButton>
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Width of the window"
        value={choice.width}
        onChange={(_event, width: number | null) => set(width === null ? null : { width })}
      >
        {WIDTHS.map((width) => (
          <ToggleButton key={width} value={width}>
            {`${width} px`}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}
