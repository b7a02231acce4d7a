/** Slides that are no pictures: words, and videos of the site with a poster. */
import { addItems, addSlide, type Slide } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import {
  type Edited,
  type FileChange,
  nameOf,
  planEdits,
  type Planned,
  refuse,
  relativeReference,
} from '../site/index.ts';
import type { NewSlide } from './intent.ts';
import { GALLERY_GONE, galleryAt, type FoundGallery, type GalleryPlace } from './items.ts';

type Video = Extract<NewSlide, { is: 'video' }>;

export function addSlideTo(
  site: SiteReading,
  { slide, at, ...place }: GalleryPlace & { slide: NewSlide; at?: number | undefined },
): Planned {
  const found = galleryAt(site, place);
  if (!found) return refuse(GALLERY_GONE);
  const to = Math.min(at ?? Infinity, found.gallery.items.length);
  if (slide.is === 'words') {
    if (slide.title.trim() === '' && slide.text.trim() === '') return refuse('Enter a heading or some text.');
    const edited = addSlide(found.page.document, found.gallery, slide, to);
    return planEdits(`Add text to ${found.page.path}`, found.page.path, edited);
  }
  const reason = reasonAgainst(site, slide);
  if (reason !== null) return refuse(reason);
  const edited = slide.plays === 'in place' ? inPlace(found, slide, to) : byLink(site, found, slide, to);
  const planned = planEdits(`Add ${nameOf(slide.path)} to ${found.page.path}`, found.page.path, edited);
  if (!planned.ok) return planned;
  return { ok: true, change: { ...planned.change, files: [...posterOf(slide), ...planned.change.files] } };
}

function reasonAgainst(site: SiteReading, { path, plays, poster }: Video): string | null {
  if (!site.files.has(path)) return `There is no ${path} any more.`;
  if (!poster) return plays === 'by link' ? 'A video that opens by a link needs a poster to be clicked.' : null;
  if (poster.made && site.files.has(poster.path))
    return `There is a ${poster.path} already. Give the poster another name, or choose that file.`;
  return poster.made || site.files.has(poster.path) ? null : `There is no ${poster.path} any more.`;
}

const posterOf = ({ poster }: Video): FileChange[] =>
  poster?.made ? [{ kind: 'put', path: poster.path, before: null, after: poster.made }] : [];

const addressesOn = ({ base }: PageReading, { path, poster }: Video) => ({
  video: relativeReference(base, path),
  poster: poster && relativeReference(base, poster.path),
});

const sizeOf = ({ poster }: Video): { width?: number; height?: number } =>
  poster?.width && poster.height ? { width: poster.width, height: poster.height } : {};

function inPlace({ page, gallery }: FoundGallery, video: Video, at: number): Edited {
  const { title, caption } = video;
  const { video: src, poster } = addressesOn(page, video);
  const slide: Slide = { is: 'video', src, poster, title, caption, ...sizeOf(video) };
  return addSlide(page.document, gallery, slide, at);
}

/** An item like those around it: its small picture is the poster, and its link leads to the video. */
function byLink(site: SiteReading, { page, gallery }: FoundGallery, video: Video, at: number): Edited {
  const { title, caption } = video;
  const { video: href, poster } = addressesOn(page, video);
  const known = video.poster ? site.factsOf(video.poster.path) : undefined;
  const size = known && !known.unreadable ? { width: known.width, height: known.height } : sizeOf(video);
  return addItems(page.document, gallery, [{ src: poster ?? '', href, alt: title, title, caption, ...size }], at);
}
