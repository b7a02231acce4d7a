/** What one picture of a group says on this page; what is noted of the picture stays. */
import Box from '@mui/material/Box';
import type { GroupView } from '~core/view/index.ts';
import { Words } from '../../../ui/parts/Words';
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

export function GroupWords({ page, number, group, item, idle }: Props) {
  const { intent } = useIntent('seen');
  const words = group.words[item];
  if (!words) return null;
  const where = { kind: 'set-group-words' as const, page, group: number, first: group.fulls[0] ?? '', item };
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Words
        key={`alt ${item}`}
        label="Alt text on this page"
        value={words.alt}
        disabled={idle}
        onSet={(alt) => intent({ ...where, alt })}
      />
      {words.caption === null ? (
        <Box sx={{ color: color('stone') }}>This picture has no place for a caption, or one with markup in it.</Box>
      ) : (
        <Words
          key={`caption ${item}`}
          label="Caption on this page"
          value={words.caption}
          disabled={idle}
          onSet={(caption) => intent({ ...where, caption })}
        />
      )}
    </Box>
  );
}
