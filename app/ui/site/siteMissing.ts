/** What a route answers with where it is asked for a site that this browser does not have. */
import { z } from 'zod';

export const SiteMissing = z.object({ missing: z.literal('site') });
export type SiteMissing = z.infer<typeof SiteMissing>;
