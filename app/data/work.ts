/** What a site's action takes in: checked on arrival, for a form could be made by anything. */
import { z } from 'zod';
import { Intent } from '~core/plans/index.ts';

const box = z.strictObject({ width: z.number().int().min(1).optional(), height: z.number().int().min(1).optional() });

export const Work = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('intent'), intent: Intent }),
  z.strictObject({ do: z.literal('step'), way: z.enum(['undo', 'redo']) }),
  z.strictObject({ do: z.literal('make'), tasks: z.array(z.strictObject({ from: z.string(), to: z.string(), box })).min(1) }),
]);
export type Work = z.infer<typeof Work>;
