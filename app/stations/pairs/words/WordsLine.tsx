/** One row of the list of words. */
import Box from '@mui/material/Box';
import { memo } from 'react';
import { placeKey, type WordsRow } from '~core/lists/index.ts';
import { nameOf } from '~core/site/index.ts';
import { inHand } from '../../../ui/parts/inHand';
import { Mono, Picture, Tag } from '../../../ui/parts/small';
import { gridOf, rowProps, type RowPlace, type TableColumn } from '../../../ui/parts/table';
import { useTyped } from '../../../ui/parts/typed';
import { color } from '../../../ui/theme';

export type LineField = 'alt' | 'caption';

interface WordsLineProps extends RowPlace {
  row: WordsRow;
  columns: readonly TableColumn<WordsRow>[];
  chosen: boolean;
  idle: boolean;
  onChoose: (key: string) => void;
  onSet: (row: WordsRow, field: LineField, value: string) => void;
  /** `show` brings a row into sight. */
  onNext: (index: number, field: LineField, show: (index: number) => void) => void;
  show: (index: number) => void;
}

const LACKS = { absent: 'no alt text', name: 'alt text is a file name', unnamed: 'link without text' } as const;

const lineStyle = (chosen: boolean) =>
  ({
    alignItems: 'center',
    py: 0.75,
    borderTop: `1px solid ${color('hair')}`,
    ...inHand(chosen),
    minHeight: 68,
    boxSizing: 'border-box',
  }) as const;

export const WordsLine = memo(function WordsLine({
  row,
  columns,
  index,
  top,
  measure,
  chosen,
  idle,
  onChoose,
  onSet,
  onNext,
  show,
}: WordsLineProps) {
  const field = (name: LineField) => ({ row, name, idle, onSet, onNext: () => onNext(index, name, show) });
  return (
    <Box
      {...rowProps({ index, top, measure })}
      aria-current={chosen || undefined}
      onFocus={() => onChoose(placeKey(row))}
      onPointerDown={() => onChoose(placeKey(row))}
      sx={{ ...gridOf(columns), ...lineStyle(chosen) }}
    >
      <Box role="cell">
        <Picture path={row.file} width={72} height={52} />
      </Box>
      <Box role="cell" sx={{ minWidth: 0, fontSize: '0.75rem' }}>
        <Mono>{nameOf(row.file)}</Mono>
        <Box sx={{ color: color('stone') }}>{row.page || 'on no page yet'}</Box>
        {row.altLacks !== null && <Tag tone="look">{LACKS[row.altLacks]}</Tag>}
        {row.altLacks === null && row.alt === '' && <Tag tone="plain">decorative</Tag>}
      </Box>
      <Box role="cell">
        <Line
          {...field('alt')}
          label={`Alt text of ${nameOf(row.file)}`}
          value={row.alt ?? ''}
          placeholder={row.altLacks !== null ? 'what the picture shows' : ''}
        />
      </Box>
      <Box role="cell" sx={{ color: color('stone'), fontSize: '0.75rem' }}>
        {row.caption === null ? (
          'no element for a caption'
        ) : (
          <Line
            {...field('caption')}
            label={`Caption of ${nameOf(row.file)}`}
            value={row.caption}
            placeholder="caption"
          />
        )}
      </Box>
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
  color: color('peat'),
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
