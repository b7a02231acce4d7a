/** The formats whose metadata are known. */
import type { Container } from './container.ts';
import { gif } from './gif.ts';
import { isoMedia } from './isoMedia.ts';
import { jpeg } from './jpeg.ts';
import { png } from './png.ts';
import { webp } from './webp.ts';

const CONTAINERS: readonly Container[] = [jpeg, png, webp, isoMedia, gif];

export const containerOf = (bytes: Uint8Array): Container | undefined => CONTAINERS.find((one) => one.is(bytes));
