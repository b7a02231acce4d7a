/** What a site's action takes in: checked on arrival, for a form could be made by anything. */
import { z } from 'zod';
import { Rotation, SizeRecipe } from '~core/photo/index.ts';
import { Intent } from '~core/plans/index.ts';

export const Work = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('intent'), intent: Intent }),
  z.strictObject({ do: z.literal('step'), way: z.enum(['undo', 'redo']) }),
  /** To the state after an entry of the journal; 0 is the site as it came in. */
  z.strictObject({ do: z.literal('go'), to: z.number().int().min(0) }),
  z.strictObject({
    do: z.literal('name-point'),
    number: z.number().int().min(0),
    name: z.string().trim().min(1).max(80).nullable(),
  }),
  z.strictObject({
    do: z.literal('make'),
    tasks: z
      .array(
        z.strictObject({
          from: z.string(),
          to: z.string(),
          size: SizeRecipe,
          as: z.string(),
          times: z.number().int().min(1).max(2),
        }),
      )
      .min(1),
  }),
  /** Into the folder on disk what was changed here, or from it what was changed there; all of it, or some paths. */
  z.strictObject({ do: z.literal('folder'), way: z.enum(['save', 'apply']), paths: z.array(z.string()).nullable() }),
  /** Of a file that both sides changed: whose it is to be, or the text that was put together of both. */
  z.strictObject({
    do: z.literal('choose'),
    path: z.string(),
    choice: z.union([z.enum(['here', 'there']), z.strictObject({ text: z.string() })]),
  }),
  /** All that is made of a picture is made once more, rotated. */
  z.strictObject({ do: z.literal('rotate'), picture: z.string(), rotation: Rotation }),
]);
export type Work = z.infer<typeof Work>;
