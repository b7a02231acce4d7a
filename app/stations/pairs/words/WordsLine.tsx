/** One row of the list of words. */
import Box from '@mui/material/Box';
import { memo } from 'react';
import { placeKey, type WordsRow } from '~core/lists/index.ts';
import { nameOf } from '~core/site/index.ts';
import { Mono, Picture, Tag } from '../../../ui/parts/small';
import { useTyped } from '../../../ui/parts/typed';
import { color } from '../../../ui/theme';

/** Picture, name, alt text, caption. */
export const LINE = {
  display: 'grid',
  gridTemplateColumns: '76px 150px minmax(0, 1fr) minmax(0, 1fr)',
  gap: 1.25,
  px: 1.5,
} as const;

export type LineField = 'alt' | 'caption';

interface WordsLineProps {
  row: WordsRow;
  index: number;
  of: number;
  top: number;
  measure: (element: Element | null) => void;
  chosen: boolean;
  idle: boolean;
  onChoose: (key: string) => void;
  onSet: (row: WordsRow, field: LineField, value: string) => void;
  onNext: (index: number, field: LineField) => void;
}

const lineStyle = (chosen: boolean) =>
  ({
    ...LINE,
    position: 'absolute',
    left: 0,
    right: 0,
    alignItems: 'center',
    py: 0.75,
    borderTop: `1px solid ${color('hair')}`,
    bgcolor: chosen ? color('heatherWash') : undefined,
    minHeight: 68,
    boxSizing: 'border-box',
  }) as const;

export const WordsLine = memo(function WordsLine({
  row,
  index,
  of,
  top,
  measure,
  chosen,
  idle,
  onChoose,
  onSet,
  onNext,
}: WordsLineProps) {
  const field = (name: LineField) => ({ row, name, idle, onSet, onNext: () => onNext(index, name) });
  return (
    <Box
      component="li"
      ref={measure}
      data-index={index}
      aria-setsize={of}
      aria-posinset={index + 1}
      onFocus={() => onChoose(placeKey(row))}
      onPointerDown={() => onChoose(placeKey(row))}
      sx={lineStyle(chosen)}
      style={{ top }}
    >
      <Picture path={row.file} width={72} height={52} />
      <Box sx={{ minWidth: 0, fontSize: '0.75rem' }}>
        <Mono>{nameOf(row.file)}</Mono>
        <Box sx={{ color: color('stone') }}>{row.page || 'on no page yet'}</Box>
        {row.alt === null && <Tag tone="look">no alt text</Tag>}
        {row.alt === '' && <Tag tone="plain">decoration</Tag>}
      </Box>
      <Line
        {...field('alt')}
        label={`Alt text of ${nameOf(row.file)}`}
        value={row.alt ?? ''}
        placeholder={row.alt === null ? 'what the picture shows' : ''}
      />
      {row.caption === null ? (
        <Box sx={{ color: color('stone'), fontSize: '0.75rem' }}>no element for a caption</Box>
      ) : (
        <Line
          {...field('caption')}
          label={`Caption of ${nameOf(row.file)}`}
          value={row.caption}
          placeholder="caption"
        />
      )}
    </Box>
  );
});

interface LineProps {
  row: WordsRow;
  name: LineField;
  label: string;
  value: string;
  placeholder: string;
  idle: boolean;
  onSet: (row: WordsRow, field: LineField, value: string) => void;
  onNext: () => void;
}

const FIELD = {
  font: 'inherit',
  fontSize: '0.8125rem',
  color: 'inherit',
  bgcolor: color('paper'),
  border: `1px solid ${color('hair')}`,
  borderRadius: '4px',
  px: 1,
  py: 0.5,
  width: '100%',
  boxSizing: 'border-box',
  resize: 'none',
  '&:hover': { borderColor: color('edge') },
  '&::placeholder': { color: color('stone'), opacity: 1 },
} as const;

/** A plain field: hundreds of rows pass by, and each of a form library's fields costs several elements. */
function Line({ row, name, label, value, placeholder, idle, onSet, onNext }: LineProps) {
  const { text, type, mean, forget } = useTyped(value);
  const keep = () => {
    const meant = mean();
    if (meant !== null) onSet(row, name, meant);
  };
  return (
    <Box
      component="textarea"
      aria-label={label}
      data-field={name}
      rows={2}
      value={text}
      placeholder={placeholder}
      readOnly={idle}
      onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => type(event.target.value.replace(/\n/g, ' '))}
      onBlur={keep}
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.key === 'Escape') forget();
        if (event.key !== 'Enter') return;
        event.preventDefault();
        keep();
        onNext();
      }}
      sx={FIELD}
    />
  );
}
