/** What one picture of a group says on this page; what is noted of the picture stays. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import type { GroupView } from '~core/view/index.ts';
import { useTyped } from '../../../ui/parts/typed';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

interface Props {
  page: string;
  /** Its number on the page. */
  number: number;
  group: GroupView;
  /** Which picture of it. */
  item: number;
  idle: boolean;
}

export function Words({ page, number, group, item, idle }: Props) {
  const { intent } = useIntent('seen');
  const words = group.words[item];
  if (!words) return null;
  const where = { kind: 'set-group-words' as const, page, group: number, first: group.fulls[0] ?? '', item };
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Field
        key={`alt ${item}`}
        label="Alt text on this page"
        value={words.alt}
        idle={idle}
        onMean={(alt) => intent({ ...where, alt })}
      />
      {words.caption === null ? (
        <Box sx={{ color: color('stone') }}>This picture has no place for a caption, or one with markup in it.</Box>
      ) : (
        <Field
          key={`caption ${item}`}
          label="Caption on this page"
          value={words.caption}
          idle={idle}
          onMean={(caption) => intent({ ...where, caption })}
        />
      )}
    </Box>
  );
}

interface FieldProps {
  label: string;
  value: string;
  idle: boolean;
  onMean: (text: string) => void;
}

/** Meant by Enter, or by leaving it. */
function Field({ label, value, idle, onMean }: FieldProps) {
  const { text, type, mean, forget } = useTyped(value);
  const commit = (again = false) => {
    const meant = mean(again);
    if (meant !== null) onMean(meant);
  };
  return (
    <TextField
      label={label}
      value={text}
      disabled={idle}
      onChange={({ target }) => type(target.value)}
      onBlur={() => commit()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit(true);
        if (event.key === 'Escape') forget();
      }}
    />
  );
}
