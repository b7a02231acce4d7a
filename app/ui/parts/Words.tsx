/** Words of a picture as a field. */
import TextField from '@mui/material/TextField';
import { useEffect, useRef } from 'react';
import { useTyped } from './typed';

/** As high as its words by the browser’s own layout: a script that measures it holds up the whole screen. */
const WORDS = {
  mt: 1.25,
  '& textarea': {
    fontSize: '0.78rem',
    fieldSizing: 'content',
    minHeight: '1.4375em',
    maxHeight: '5.75em',
    resize: 'none',
  },
} as const;

/** A line of words, written where it is shown. Enter or leaving the field sets it. */
export function Words({
  label,
  value,
  disabled,
  onSet,
  focus = 0,
}: {
  label: string;
  value: string;
  disabled: boolean;
  onSet: (value: string) => void;
  focus?: number;
}) {
  const { text, type, mean } = useTyped(value);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focus > 0) field.current?.focus();
  }, [focus]);
  const set = () => {
    const meant = mean();
    if (meant !== null) onSet(meant);
  };
  return (
    <TextField
      label={label}
      value={text}
      multiline
      rows={2}
      fullWidth
      disabled={disabled}
      inputRef={field}
      onChange={(event) => type(event.target.value.replaceAll('\n', ' '))}
      onBlur={set}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        set();
      }}
      slotProps={{ input: { inputComponent: 'textarea' } }}
      sx={WORDS}
    />
  );
}
