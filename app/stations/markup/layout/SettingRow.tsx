/** One setting: its field, and the declaration of the author's that it reads. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { SettingView } from '~core/view/index.ts';
import { Mono } from '../../../ui/parts/small';
import { useShowSource } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import { Border, Choice, Colour, Columns, Length, type Commit } from '../../../ui/parts/fields';
import { PlaceLink } from '../../../ui/parts/pressable';

interface Props {
  setting: SettingView;
  idle: boolean;
  onSet: Commit;
}

function Field({ setting: { title, field, value, idle }, idle: busy, onSet }: Props) {
  const shared = { label: title, value, disabled: busy || idle !== null, onCommit: onSet };
  switch (field.kind) {
    case 'act':
      return (
        <Button disabled={shared.disabled} onClick={() => onSet('grid')}>
          {title}
        </Button>
      );
    case 'columns':
      return <Columns {...shared} />;
    case 'choice':
      return <Choice {...shared} choices={field.choices} />;
    case 'colour':
      return <Colour {...shared} />;
    case 'border':
      return <Border {...shared} />;
    case 'lines':
      return <Length {...shared} placeholder="0" />;
    case 'share':
      return <Length {...shared} placeholder="1" />;
    case 'length':
      return <Length {...shared} />;
  }
}

const ROW = { display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', py: 0.75 } as const;

const ORIGIN = { flex: '1 1 180px', minWidth: 0, fontSize: '0.75rem', color: color('stone') };

const saysNothing = ({ field }: SettingView): string =>
  field.kind === 'act' ? 'the same columns and gaps, written as a grid' : 'not set';

export function SettingRow(props: Props) {
  const showSource = useShowSource();
  const { place, fromWide, idle, unread } = props.setting;
  return (
    <Box sx={ROW}>
      <Field {...props} />
      <Box sx={ORIGIN}>
        {idle ??
          (unread && `Not read: ${unread}.`) ??
          (place ? (
            <PlaceLink
              onClick={() => showSource(place.path, place.start)}
              aria-label={`${place.text}, ${place.path}, line ${place.line}: show it`}
            >
              <Mono>{place.text}</Mono>
              {` ${place.path}, line ${place.line}${fromWide ? ', for every width' : ''}`}
            </PlaceLink>
          ) : (
            saysNothing(props.setting)
          ))}
      </Box>
    </Box>
  );
}
