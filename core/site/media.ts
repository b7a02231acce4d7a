/** Which files are text, which are pictures, and what a server should call them. */
import { extensionOf } from './path.ts';

interface Media {
  type: string;
  text?: boolean;
  picture?: boolean;
  page?: boolean;
  /** What people call a format of pictures that most browsers do not show. */
  unshown?: string;
}

const MEDIA: Record<string, Media> = {
  html: { type: 'text/html', text: true, page: true },
  htm: { type: 'text/html', text: true, page: true },
  xhtml: { type: 'application/xhtml+xml', text: true, page: true },
  // A host runs what stands in them first; what it sends is HTML.
  shtml: { type: 'text/html', text: true, page: true },
  php: { type: 'text/html', text: true, page: true },
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
  jfif: { type: 'image/jpeg', picture: true },
  jpe: { type: 'image/jpeg', picture: true },
  png: { type: 'image/png', picture: true },
  gif: { type: 'image/gif', picture: true },
  webp: { type: 'image/webp', picture: true },
  avif: { type: 'image/avif', picture: true },
  bmp: { type: 'image/bmp', picture: true },
  // Pictures that few browsers show, or none.
  tif: { type: 'image/tiff', picture: true, unshown: 'TIFF' },
  tiff: { type: 'image/tiff', picture: true, unshown: 'TIFF' },
  heic: { type: 'image/heic', picture: true, unshown: 'HEIC' },
  heif: { type: 'image/heif', picture: true, unshown: 'HEIC' },
  jxl: { type: 'image/jxl', picture: true, unshown: 'JPEG XL' },
  ico: { type: 'image/x-icon' },
  mp4: { type: 'video/mp4' },
  m4v: { type: 'video/mp4' },
  webm: { type: 'video/webm' },
  ogv: { type: 'video/ogg' },
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
export const isVideoPath = (path: string): boolean => mediaTypeOf(path).startsWith('video/');
/** CommonMark has no media type of its own; these are the usual names (RFC 7763). */
export const isMarkdownPath = (path: string): boolean => /\.(?:md|markdown)$/i.test(path);

export const isPagePath = (path: string): boolean => MEDIA[extensionOf(path)]?.page === true;
/** What a format of pictures is called that most browsers do not show; null for all others. */
export const unshownFormat = (path: string): string | null => MEDIA[extensionOf(path)]?.unshown ?? null;
export const isStylePath = (path: string): boolean => MEDIA[extensionOf(path)]?.type === 'text/css';
