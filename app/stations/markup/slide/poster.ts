/** A video's poster: a picture of the site, or one of its own frames. */
import { known, stemOf } from '~core/site/index.ts';

export interface Poster {
  path: string;
  /** Null for a picture that is in the site. */
  frame: Blob | null;
  /** Image px. */
  width?: number;
  height?: number;
}

/** Of what a browser writes as JPEG, from 0 to 1; a poster is seen for a moment. */
const QUALITY = 0.82;

/**
 * The frame that a video shows just now, as a JPEG no wider than `widest` (image px).
 * @throws where the browser cannot draw it.
 */
export async function frameOf(video: HTMLVideoElement, widest: number): Promise<Required<Omit<Poster, 'path'>>> {
  const scale = Math.min(1, widest / video.videoWidth);
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(video.videoWidth * scale));
  canvas.height = Math.max(1, Math.round(video.videoHeight * scale));
  known(canvas.getContext('2d'), 'canvas to draw on').drawImage(video, 0, 0, canvas.width, canvas.height);
  const frame = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
  return { frame: known(frame, 'frame of the video'), width: canvas.width, height: canvas.height };
}

/** Named after its video, in the folder of the thumbnails, by a number where that name is taken. */
export function posterPath(video: string, thumbnail: string | null, taken: ReadonlySet<string>): string {
  const beside = thumbnail ?? video;
  const folder = beside.slice(0, beside.lastIndexOf('/') + 1);
  const stem = stemOf(video);
  for (let n = 1; ; n++) {
    const path = `${folder}${stem}${n === 1 ? '' : `-${n}`}.jpg`;
    if (!taken.has(path)) return path;
  }
}
