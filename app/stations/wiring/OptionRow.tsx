/** One option, or one look: its plain name, a suitable field, and where it is written. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { LookView, OptionView } from '~core/view/index.ts';
import { PlaceLink } from '../../ui/parts/pressable';
import { Mono } from '../../ui/parts/small';
import { Colour, Length } from '../../ui/parts/fields';
import { useShowSource } from '../../ui/site/openSite';
import { color } from '../../ui/theme';

type Value = boolean | number | string;

const ROW = {
  display: 'grid',
  gridTemplateColumns: 'minmax(96px, 9.5rem) minmax(0, 1fr)',
  columnGap: 1.5,
  rowGap: 0.25,
  alignItems: 'center',
  py: 0.75,
  borderTop: `1px solid ${color('hair')}`,
} as const;

const FIELD = { display: 'flex', alignItems: 'center', gap: 1, minHeight: 30 } as const;

const UNDER = { gridColumn: 2, fontSize: '0.75rem', color: color('stone'), overflowWrap: 'anywhere' } as const;

/** As many values stand beside one another; more are a list to choose from. */
const MOST_BUTTONS = 4;

interface OptionProps {
  view: OptionView;
  disabled: boolean;
  /** Null takes it back to what holds without it. */
  onSet: (value: Value | null) => void;
}

export function OptionRow({ view, disabled, onSet }: OptionProps) {
  const { option, value, idle } = view;
  return (
    <Box sx={ROW}>
      <Box component="span">{option.title ?? option.name}</Box>
      <Box sx={FIELD}>
        <Field view={view} disabled={disabled} onSet={onSet} />
        {value === null && <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>not the same for all</Box>}
      </Box>
      <Box sx={UNDER}>{option.says}</Box>
      {idle !== null && <Box sx={{ ...UNDER, color: color('gorse') }}>{`Does nothing now: ${idle}.`}</Box>}
      <Written place={view.place} name={view.name} />
    </Box>
  );
}

function Field({ view: { option, value }, disabled, onSet }: OptionProps) {
  const label = option.title ?? option.name;
  if (option.type === 'switch')
    return (
      <Switch
        checked={value === true}
        disabled={disabled}
        onChange={({ target }) => onSet(target.checked)}
        slotProps={{ input: { 'aria-label': label } }}
      />
    );
  if (option.type === 'choice')
    return <Choice label={label} view={option} value={value} disabled={disabled} onSet={onSet} />;
  const written = typeof value === 'boolean' || value === null ? '' : String(value);
  return (
    <>
      <Length
        label={label}
        value={written}
        disabled={disabled}
        width={option.type === 'number' ? 92 : 220}
        placeholder={option.without === '' || typeof option.without === 'boolean' ? 'none' : String(option.without)}
        onCommit={(text) => onSet(meant(option, text))}
      />
      {option.unit !== undefined && <span>{option.unit}</span>}
    </>
  );
}

/** What is typed, as the option takes it; empty takes it back. */
function meant({ type }: OptionView['option'], text: string | null): Value | null {
  if (text === null) return null;
  // What is no number is refused with the range that there is.
  return type === 'number' && text.trim() !== '' && Number.isFinite(Number(text)) ? Number(text) : text;
}

interface ChoiceProps {
  label: string;
  view: OptionView['option'];
  value: Value | null;
  disabled: boolean;
  onSet: (value: Value) => void;
}

function Choice({ label, view: { values = [] }, value, disabled, onSet }: ChoiceProps) {
  const says = (one: string) => one || 'no';
  if (values.length <= MOST_BUTTONS)
    return (
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label={label}
        value={value}
        disabled={disabled}
        onChange={(_event, one: string | null) => one !== null && onSet(one)}
        sx={{ flexWrap: 'wrap' }}
      >
        {values.map((one) => (
          <ToggleButton key={one} value={one} sx={{ py: 0.25 }}>
            {says(one)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    );
  return (
    <TextField
      select
      aria-label={label}
      value={value ?? ''}
      disabled={disabled}
      onChange={({ target }) => onSet(target.value)}
      slotProps={{ select: { SelectDisplayProps: { 'aria-label': label } } }}
      sx={{ minWidth: 140 }}
    >
      {values.map((one) => (
        <MenuItem key={one} value={one}>
          {says(one)}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface LookProps {
  view: LookView;
  disabled: boolean;
  onSet: (value: string | null) => void;
}

export function LookRow({ view: { look, value, place }, disabled, onSet }: LookProps) {
  const shared = { label: look.title, value, disabled, onCommit: onSet };
  return (
    <Box sx={ROW}>
      <Box component="span">{look.title}</Box>
      <Box sx={{ minHeight: 34 }}>
        {look.type === 'color' ? <Colour {...shared} /> : <Length {...shared} width={190} placeholder={look.without} />}
      </Box>
      <Box sx={UNDER}>{`${look.says}. Without it: ${look.without}.`}</Box>
      <Written place={place} name={look.property} />
    </Box>
  );
}

/** What stands in the source, and the way there. */
function Written({ place, name }: { place: OptionView['place']; name: string }) {
  const showSource = useShowSource();
  if (!place)
    return (
      <Box sx={UNDER}>
        <Mono>{name}</Mono> not set
      </Box>
    );
  return (
    <Box sx={UNDER}>
      <PlaceLink
        onClick={() => showSource(place.path, place.start)}
        aria-label={`${place.text}, ${place.path}, line ${place.line}: show it`}
      >
        <Mono>{place.text}</Mono>
        {` ${place.path}, line ${place.line}`}
      </PlaceLink>
    </Box>
  );
}
