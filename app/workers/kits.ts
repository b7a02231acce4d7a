/** The kits that ship with the application, their files as text. A new viewer is one more line. */
import { readManifest, type Kit } from '~core/wiring/index.ts';
import lightboxManifest from '../../viewers/lightbox/kit.json';
import lightboxScript from '../../viewers/lightbox/lightbox.js?raw';
import lightboxStyle from '../../viewers/lightbox/lightbox.css?raw';

function kit(data: unknown, files: Record<string, string>): Kit {
  const read = readManifest(data);
  if (!read.ok) throw new Error(read.reason);
  return { manifest: read.manifest, files };
}

export const KITS: readonly Kit[] = [kit(lightboxManifest, { 'lightbox.js': lightboxScript, 'lightbox.css': lightboxStyle })];
