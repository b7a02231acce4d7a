/**
 * Pictures that show the same but are not the same: brightened, in other colours, cut a little closer, straightened.
 * The bounds were tried on 31 photographs out of Debian packages (lomiri-wallpapers-16.04 and -20.04,
 * mate-backgrounds): changed by a fifth in brightness or contrast, or made warmer, or cut to nine tenths, nine in ten of
 * them stay within; turned by two degrees, half of them do; and no two different ones come near. A copy without colour
 * is found as far as its luma is the same.
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

interface Similar {
  /** Two by two, the larger first. */
  similar: [string, string][];
  /** How many are still to be compared. */
  left: number;
}

/** Every reading of a site asks, and of thousands of pictures each is held against each: what is known is kept. */
const found = new WeakMap<ContentMemory, { of: string; similar: Similar }>();

export function similarTo(
  memory: ContentMemory,
  contents: readonly Placed[],
  areTwins: (a: string, b: string) => boolean,
  pace: Pace,
): Similar {
  const of = contents.map(({ path, hash }) => `${path} ${hash}`).join('\n');
  const before = found.get(memory);
  if (before?.of === of && before.similar.left === 0) return before.similar;
  const similar = compareAll(memory, contents, areTwins, pace);
  found.set(memory, { of, similar });
  return similar;
}

function compareAll(
  memory: ContentMemory,
  contents: readonly Placed[],
  areTwins: (a: string, b: string) => boolean,
  pace: Pace,
): Similar {
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
