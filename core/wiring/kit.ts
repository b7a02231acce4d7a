/** A kit's manifest: how a viewer's files are hooked up to a page. Written by people, so it is checked at the border. */
import { z } from 'zod';

export const KitManifest = z.strictObject({
  name: z.string().regex(/^[a-z][a-z0-9-]*$/),
  title: z.string().min(1),
  /** In load order. */
  files: z.array(z.strictObject({ name: z.string().regex(/^[\w.-]+\.(js|css)$/), role: z.enum(['script', 'style']) })).min(1),
  /** The folder, from the site's root, that the files are copied to. */
  folder: z.string().regex(/^[\w-]+$/),
  /** The attribute that marks a link for the viewer. */
  marker: z.strictObject({ attribute: z.string() }),
  group: z.strictObject({ attribute: z.string() }),
  /** The attribute for a caption where the markup has none. */
  caption: z.strictObject({ attribute: z.string() }),
  /** The function that a page's own script may call; its first argument may be a selector of links. */
  start: z.strictObject({ call: z.string().regex(/^[A-Za-z_$][\w$]*$/) }),
});
export type KitManifest = z.infer<typeof KitManifest>;

/** A kit ready to be copied: its manifest and the text of each of its files. */
export interface Kit {
  manifest: KitManifest;
  files: Record<string, string>;
}

/** Reads a manifest, or says what is wrong with it and where. */
export function readManifest(data: unknown): { ok: true; manifest: KitManifest } | { ok: false; reason: string } {
  const result = KitManifest.safeParse(data);
  if (result.success) return { ok: true, manifest: result.data };
  const issue = result.error.issues[0];
  return { ok: false, reason: `kit.json, ${issue?.path.join('.') || 'top level'}: ${issue?.message}` };
}
