/** Rows chosen from a list: one, a range with Shift, all, none. The same in every list of the program. */
import Checkbox, { type CheckboxProps } from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRef } from 'react';

/** Ids in the order of the list. */
type Ids = readonly string[];

interface Choosing {
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
}

/** Rows between the last one that was pressed and this one, both among them. */
export function rangeOf(ids: Ids, from: string | null, to: string): string[] {
  const [a, b] = [from === null ? -1 : ids.indexOf(from), ids.indexOf(to)];
  return a < 0 || b < 0 ? [to] : ids.slice(Math.min(a, b), Math.max(a, b) + 1);
}

/** What is chosen once these rows are chosen, or let go. */
export function chosenWith(chosen: ReadonlySet<string>, rows: readonly string[], on: boolean): Set<string> {
  const now = new Set(chosen);
  for (const id of rows) {
    if (on) now.add(id);
    else now.delete(id);
  }
  return now;
}

/** Gives the checkbox of each row what it needs. */
export function useChoosing(ids: Ids, { chosen, onChoose }: Choosing): (id: string) => CheckboxProps {
  const last = useRef<string | null>(null);
  return (id) => ({
    size: 'small',
    checked: chosen.has(id),
    onChange: ({ nativeEvent }, on) => {
      const isRange = nativeEvent instanceof MouseEvent && nativeEvent.shiftKey;
      onChoose(chosenWith(chosen, isRange ? rangeOf(ids, last.current, id) : [id], on));
      last.current = id;
    },
  });
}

const ALL = { display: 'flex', width: 'fit-content', height: 30, ml: '-3px', pb: 0.5 } as const;

/** All rows or none, above the list. */
export function ChooseAll({ ids, chosen, onChoose }: Choosing & { ids: Ids }) {
  const count = ids.filter((id) => chosen.has(id)).length;
  const all = count === ids.length && count > 0;
  return (
    <FormControlLabel
      control={
        <Checkbox
          size="small"
          checked={all}
          indeterminate={count > 0 && !all}
          onChange={() => onChoose(chosenWith(chosen, ids, count === 0))}
        />
      }
      label={count === 0 ? `Select all ${ids.length}` : 'Select none'}
      title="Shift selects all rows in between"
      slotProps={{ typography: { variant: 'body2' } }}
      sx={ALL}
    />
  );
}
