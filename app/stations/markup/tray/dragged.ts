/**
 * Pictures that are being dragged. A page in the preview is told where they are dropped and never which they are: what
 * it says counts only while somebody drags here.
 */
let dragged: readonly string[] | null = null;

/** What a page says comes after the browser has told of the end of the drag; ms. */
const GRACE = 1000;

let ending: ReturnType<typeof setTimeout> | undefined;

export function startDrag(fulls: readonly string[]): void {
  clearTimeout(ending);
  dragged = fulls;
}

export function endDrag(): void {
  ending = setTimeout(() => (dragged = null), GRACE);
}

/** Once for each drag; null where nobody drags. */
export function takeDragged(): readonly string[] | null {
  const taken = dragged;
  dragged = null;
  return taken;
}
