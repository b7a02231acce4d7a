/** Fields for values of a stylesheet. Each holds what is typed until it is meant: by Enter, by leaving, by choosing. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useRef } from 'react';
import { useTyped } from './typed';
import { color } from '../theme';

/** Null takes away what is declared. */
export type Commit = (value: string | null) => void;

interface FieldProps {
  label: string;
  value: string | null;
  disabled: boolean;
  onCommit: Commit;
}

/** Any text, with the units that the author likes. */
export function Length({
  label,
  value,
  disabled,
  onCommit,
  width = 120,
  placeholder = '',
}: FieldProps & { width?: number; placeholder?: string }) {
  const { text, type, mean, forget } = useTyped(value ?? '');
  const commit = (again = false) => {
    const meant = mean(again)?.trim();
    if (meant !== undefined && meant !== (value ?? '')) onCommit(meant === '' ? null : meant);
  };
  return (
    <TextField
      label={label}
      value={text}
      placeholder={placeholder}
      disabled={disabled}
      onChange={({ target }) => type(target.value)}
      onBlur={() => commit()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit(true);
        if (event.key === 'Escape') forget();
      }}
      sx={{ width }}
      slotProps={{ htmlInput: { spellCheck: false }, inputLabel: { shrink: true } }}
    />
  );
}

const COUNTS = ['1', '2', '3', '4', '5', '6'] as const;

/** A number, or the least width of as many as fit. */
export function Columns({ label, value, disabled, onCommit }: FieldProps) {
  const counted = value !== null && /^\d+$/.test(value);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={counted ? value : ''}
        aria-label={label}
        disabled={disabled}
        onChange={(_event, count: string | null) => count !== null && onCommit(count)}
      >
        {COUNTS.map((count) => (
          <ToggleButton
            key={count}
            value={count}
            aria-label={count === '1' ? '1 column' : `${count} columns`}
            sx={{ py: 0.25, px: 1.1 }}
          >
            {count}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Length
        label="or each at least"
        value={counted ? null : value}
        disabled={disabled}
        width={118}
        placeholder="150px"
        onCommit={(least) => least !== null && onCommit(least)}
      />
    </Box>
  );
}

export function Choice({
  label,
  value,
  disabled,
  onCommit,
  choices,
}: FieldProps & { choices: readonly (readonly [string, string])[] }) {
  const own = value !== null && !choices.some(([one]) => one === value);
  return (
    <TextField
      select
      label={label}
      value={value ?? ''}
      disabled={disabled}
      onChange={({ target }) => onCommit(target.value === '' ? null : target.value)}
      sx={{ width: 210 }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">not set</MenuItem>
      {own && <MenuItem value={value}>{value}</MenuItem>}
      {choices.map(([one, says]) => (
        <MenuItem key={one} value={one}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
}

const HEX = /^#[\da-f]{6}$/i;

/** A colour as it is written, and a picker for whoever would rather look. */
export function Colour({ label, value, disabled, onCommit, width = 150 }: FieldProps & { width?: number }) {
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
      <Length label={label} value={value} disabled={disabled} width={width} onCommit={onCommit} />
      <ByEye key={value} label={`${label}, by eye`} value={value} disabled={disabled} onCommit={onCommit} />
    </Box>
  );
}

const COLOR_WELL = {
  width: 34,
  height: 30,
  p: 0,
  border: `1px solid ${color('edge')}`,
  borderRadius: 1,
  bgcolor: color('paper'),
};

/** The browser's picker tells every shade on the way; only the one that it is closed with is meant. */
function ByEye({ label, value, disabled, onCommit }: FieldProps) {
  const input = useRef<HTMLInputElement>(null);
  const latest = useRef(onCommit);
  useEffect(() => {
    latest.current = onCommit;
  });
  useEffect(() => {
    const { current } = input;
    const meant = () => current && latest.current(current.value);
    current?.addEventListener('change', meant);
    return () => current?.removeEventListener('change', meant);
  }, []);
  return (
    <Box
      component="input"
      ref={input}
      type="color"
      aria-label={label}
      disabled={disabled}
      defaultValue={value !== null && HEX.test(value) ? value : '#888888'}
      sx={COLOR_WELL}
    />
  );
}

const STYLES = ['solid', 'dashed', 'dotted', 'double'] as const;
const LINE = new RegExp(`^(\\S+)\\s+(${STYLES.join('|')})\\s+(.+)$`, 'i');

/** Width, kind and colour of a line as one value; one that is written in another order stays text. */
export function Border({ label, value, disabled, onCommit }: FieldProps) {
  const parts = value === null ? null : LINE.exec(value);
  const [, width = '1px', style = 'solid', colour = '#8c8279'] = parts ?? [];
  if (value !== null && !parts)
    return <Length label={label} value={value} disabled={disabled} width={220} onCommit={onCommit} />;
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
      <Length
        label={label}
        value={parts ? width : null}
        placeholder="none"
        disabled={disabled}
        width={84}
        onCommit={(next) => onCommit(next === null ? null : `${next} ${style} ${colour}`)}
      />
      <TextField
        select
        label="Line"
        value={style}
        disabled={disabled || !parts}
        onChange={({ target }) => onCommit(`${width} ${target.value} ${colour}`)}
        sx={{ width: 92 }}
      >
        {STYLES.map((one) => (
          <MenuItem key={one} value={one}>
            {one}
          </MenuItem>
        ))}
      </TextField>
      <Colour
        label="Colour"
        value={parts ? colour : null}
        disabled={disabled || !parts}
        width={104}
        onCommit={(next) => next !== null && onCommit(`${width} ${style} ${next}`)}
      />
    </Box>
  );
}
