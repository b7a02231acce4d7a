import { color } from '../../../ui/theme';

/** Why a button cannot be pressed. */
export const REASON = { fontSize: '0.75rem', color: color('stone') } as const;
