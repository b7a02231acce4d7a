/** Which files are text, which are pictures, and what a server should call them. */
import { extensionOf } from './path.ts';

interface Media {
  type: string;
  text?: boolean;
  picture?: boolean;
}

const MEDIA: Record<string, Media> = {
  html: { type: 'text/html', text: true },
  htm: { type: 'text/html', text: true },
  css: { type: 'text/css', text: true },
  js: { type: 'text/javascript', text: true },
  mjs: { type: 'text/javascript', text: true },
  json: { type: 'application/json', text: true },
  txt: { type: 'text/plain', text: true },
  md: { type: 'text/markdown', text: true },
  xml: { type: 'application/xml', text: true },
  csv: { type: 'text/csv', text: true },
  svg: { type: 'image/svg+xml', text: true },
  webmanifest: { type: 'application/manifest+json', text: true },
  jpg: { type: 'image/jpeg', picture: true },
  jpeg: { type: 'image/jpeg', picture: true },
  png: { type: 'image/png', picture: true },
  gif: { type: 'image/gif', picture: true },
  webp: { type: 'image/webp', picture: true },
  avif: { type: 'image/avif', picture: true },
  ico: { type: 'image/x-icon' },
  mp4: { type: 'video/mp4' },
  webm: { type: 'video/webm' },
  mp3: { type: 'audio/mpeg' },
  pdf: { type: 'application/pdf' },
  woff: { type: 'font/woff' },
  woff2: { type: 'font/woff2' },
  ttf: { type: 'font/ttf' },
};

/** The media type by extension; `application/octet-stream` for what is not known. */
export const mediaTypeOf = (path: string): string => MEDIA[extensionOf(path)]?.type ?? 'application/octet-stream';
export const isTextPath = (path: string): boolean => MEDIA[extensionOf(path)]?.text === true;
/** A raster picture that a gallery shows. */
export const isPicturePath = (path: string): boolean => MEDIA[extensionOf(path)]?.picture === true;
export const isPagePath = (path: string): boolean => MEDIA[extensionOf(path)]?.type === 'text/html';
export const isStylePath = (path: string): boolean => MEDIA[extensionOf(path)]?.type === 'text/css';
