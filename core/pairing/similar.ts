/**
 * Pictures that show the same but are not the same: brightened, in other colours, cut a little closer, straightened.
 * Tried on 31 photographs out of Debian packages (lomiri-wallpapers-16.04 and -20.04, mate-backgrounds): changed by a
 * fifth in brightness, contrast, saturation or warmth, or cut to nine tenths, they stay within these bounds, and no two
 * of the photographs come near them.
 */
import { compare, type Content, type ContentMemory, type Pace } from './content.ts';

/** Bits in which the perceptual hashes of a picture and its edited copy may differ, of 64. */
const NEAR = 16;
/** Agreement of the part that both show, and how large that part is at least, of the picture's area. */
const AGREEMENT = 0.92;
const SHARED = 0.6;

/** Comparisons that are made at once where other work may come between. */
const FEW = 24;

type Placed = Content & { path: string };

/** How many bits are set (Hamming weight of 32 bits). */
function bitsIn(value: number): number {
  const pairs = value - ((value >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return (((fours + (fours >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

const halves = (likeness: string): [number, number] => [
  Number.parseInt(likeness.slice(0, 8), 16),
  Number.parseInt(likeness.slice(8), 16),
];

/** Two by two, the larger first. `left` counts those that are still to be compared. */
export function similarTo(
  memory: ContentMemory,
  contents: readonly Placed[],
  areTwins: (a: string, b: string) => boolean,
  pace: Pace,
): { similar: [string, string][]; left: number } {
  const hashes = contents.map(({ facts }) => halves(facts.likeness));
  const similar: [string, string][] = [];
  let [compared, left] = [0, 0];
  for (const [n, one] of contents.entries()) {
    for (let m = 0; m < n; m++) {
      if (!isNear(hashes[n], hashes[m])) continue;
      const other = contents[m];
      if (!other || other.hash === one.hash || areTwins(one.path, other.path)) continue;
      const [small, large] = one.facts.width <= other.facts.width ? [one, other] : [other, one];
      if (!memory.places.has(`${small.hash} ${large.hash}`)) {
        if (pace === 'a few' && compared >= FEW) {
          left++;
          continue;
        }
        compared++;
      }
      const { agreement, width, height } = compare(memory, small, large);
      if (agreement >= AGREEMENT && width * height >= SHARED) similar.push([large.path, small.path]);
    }
  }
  return { similar, left };
}

const isNear = (a: [number, number] | undefined, b: [number, number] | undefined): boolean =>
  a !== undefined && b !== undefined && bitsIn(a[0] ^ b[0]) + bitsIn(a[1] ^ b[1]) <= NEAR;
