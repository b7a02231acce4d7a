/** What a site may be called. */
import { z } from 'zod';

export const Named = z.object({
  name: z.string().trim().min(1, 'Write a name.').max(200, 'At most 200 characters.'),
});
