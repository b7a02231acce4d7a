/**
 * Pages that say how large a picture is say it of what stands there: where its file gets another shape, as by rotating
 * or cropping, `width` and `height` follow, or a browser would show it squeezed.
 */
import { attributeOf, type PageElement, setAttribute, valueOf } from '../markup/index.ts';
import { resolved, type SiteReading } from '../model/index.ts';
import type { Size } from '../photo/index.ts';
import { type Edit, type FileChange } from '../site/index.ts';

/** A file that gets another content; sizes in image px. */
interface Reshaped {
  path: string;
  was: Size;
  is: Size;
}

/** Shapes that differ by less are one shape, rounded to whole pixels (our own value, no source). */
const SAME_SHAPE = 0.03;

const shapeOf = ({ width, height }: Size): number => width / height;
const isOfShape = (one: Size, other: Size): boolean => Math.abs(shapeOf(one) / shapeOf(other) - 1) < SAME_SHAPE;

/** Edits of pages whose pictures said the shape that their file had. */
export function sizesSaid(site: SiteReading, files: readonly Reshaped[]): FileChange[] {
  const reshaped = new Map(files.filter(({ was, is }) => !isOfShape(was, is)).map((one) => [one.path, one]));
  if (reshaped.size === 0) return [];
  return site.pages.flatMap((page): FileChange[] => {
    const edits = page.document.elements.flatMap((element): Edit[] => {
      const said = element.tag === 'img' ? sizeSaid(element) : null;
      const file =
        said && reshaped.get(resolved(valueOf(element, 'src') ?? undefined, page.base, site.index)?.real ?? '');
      return said && file && isOfShape(said, file.was) ? written(element, said, file, page.text) : [];
    });
    return edits.length > 0 ? [{ kind: 'edit', path: page.path, edits }] : [];
  });
}

const isPixels = (text: string | null | undefined): boolean => /^\s*[1-9]\d{0,4}\s*$/.test(text ?? '');

/** CSS px; null where not both sides are said in them. */
function sizeSaid(element: PageElement): Size | null {
  const [width, height] = [attributeOf(element, 'width')?.value, attributeOf(element, 'height')?.value];
  return isPixels(width) && isPixels(height) ? { width: Number(width), height: Number(height) } : null;
}

/** The file's own size where that was said; else the width stays, and the height follows. */
function written(element: PageElement, said: Size, { was, is }: Reshaped, text: string): Edit[] {
  const isOwn = said.width === was.width && said.height === was.height;
  const width = isOwn ? is.width : said.width;
  const height = isOwn ? is.height : Math.max(1, Math.round(said.width / shapeOf(is)));
  return [setAttribute(element, 'width', `${width}`, text), setAttribute(element, 'height', `${height}`, text)].filter(
    (edit) => edit !== null,
  );
}
