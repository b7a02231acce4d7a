/** The pictures of a group in their order: moved by arrow keys or buttons, and taken out. */
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { nameOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Picture } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

const LIST = { m: 0, p: 0, display: 'flex', flexWrap: 'wrap', gap: 0.75, listStyle: 'none' } as const;

const TOOLS = { display: 'flex', justifyContent: 'center' } as const;

interface Props {
  fulls: readonly string[];
  pairs: readonly PairView[];
  idle: boolean;
  onOrder: (fulls: readonly string[]) => void;
}

export function InOrder({ fulls, pairs, idle, onOrder }: Props) {
  if (fulls.length === 0)
    return <Box sx={{ color: color('stone') }}>Choose pictures on the right; they come in that order.</Box>;
  const moved = (from: number, to: number) => {
    const rest = fulls.filter((_, n) => n !== from);
    onOrder([...rest.slice(0, to), ...fulls.slice(from, from + 1), ...rest.slice(to)]);
  };
  return (
    <Box component="ol" aria-label="Pictures in this order" sx={LIST}>
      {fulls.map((full, n) => {
        const pair = pairs.find((one) => one.full === full);
        const name = pair?.name ?? (nameOf(full) || 'a picture elsewhere');
        return (
          <li key={`${full} ${n}`}>
            <Picture path={pair?.thumbnail ?? full} width={80} height={54} />
            <Box sx={TOOLS}>
              <IconButton
                size="small"
                disabled={idle || n === 0}
                aria-label={`Move ${name} to place ${n}`}
                onClick={() => moved(n, n - 1)}
              >
                <ArrowBack fontSize="inherit" />
              </IconButton>
              <IconButton
                size="small"
                disabled={idle || n === fulls.length - 1}
                aria-label={`Move ${name} to place ${n + 2}`}
                onClick={() => moved(n, n + 1)}
              >
                <ArrowForward fontSize="inherit" />
              </IconButton>
              <IconButton
                size="small"
                disabled={idle}
                aria-label={`Remove ${name}`}
                onClick={() => onOrder(fulls.filter((_, at) => at !== n))}
              >
                <Close fontSize="inherit" />
              </IconButton>
            </Box>
          </li>
        );
      })}
    </Box>
  );
}
