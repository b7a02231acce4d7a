/** What the test host is to be like: its line, its quota, and whether connections are lost. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { LINES } from '~core/pack/index.ts';
import type { HostSettings } from '~protocol/testHost.ts';
import { color } from '../../../ui/theme';
import { OnOff } from '../OnOff';

/** Choices of our own, no source. */
const QUOTAS = [
  { bytes: 1e9, title: '1 GB' },
  { bytes: 100e6, title: '100 MB' },
  { bytes: 10e6, title: '10 MB' },
];
const LOSES_ONE_IN = 20;

interface HostHabitsProps {
  settings: HostSettings;
  idle: boolean;
  onSet: (part: Partial<HostSettings>) => void;
}

const SUMMARY = { cursor: 'pointer', color: color('stone'), mb: 1 };

const FIELDS = { display: 'grid', gap: 1.25, mt: 1.25 };

export function HostHabits({ settings, idle, onSet }: HostHabitsProps) {
  const line = LINES.find(({ speed }) => speed === settings.speed) ?? LINES[0];
  const choose = (name: string) => {
    const chosen = LINES.find((one) => one.name === name);
    if (chosen) onSet({ speed: chosen.speed, latency: chosen.latency });
  };
  return (
    <Box component="details" sx={{ mt: 1.25 }}>
      <Box component="summary" sx={SUMMARY}>
        {`${line.title} · quota ${quotaSaid(settings.quota)}${settings.losesOneIn === null ? '' : ' · loses connections'}`}
      </Box>
      <Box sx={FIELDS}>
        <TextField
          select
          label="Line"
          value={line.name}
          disabled={idle}
          onChange={({ target }) => choose(target.value)}
        >
          {LINES.map(({ name, title }) => (
            <MenuItem key={name} value={name}>
              {title}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Quota"
          value={settings.quota}
          disabled={idle}
          onChange={({ target }) => onSet({ quota: Number(target.value) })}
        >
          {QUOTAS.map(({ bytes, title }) => (
            <MenuItem key={bytes} value={bytes}>
              {title}
            </MenuItem>
          ))}
        </TextField>
        <Box>
          <OnOff
            label="Loses connections"
            on={settings.losesOneIn !== null}
            idle={idle}
            onSet={(on) => onSet({ losesOneIn: on ? LOSES_ONE_IN : null })}
          />
          <OnOff
            label="Nothing is kept in the browser’s cache"
            on={settings.cold}
            idle={idle}
            onSet={(on) => onSet({ cold: on })}
          />
        </Box>
      </Box>
    </Box>
  );
}

const quotaSaid = (bytes: number): string => QUOTAS.find((one) => one.bytes === bytes)?.title ?? `${bytes} bytes`;
