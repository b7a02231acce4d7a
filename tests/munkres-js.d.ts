declare module 'munkres-js' {
  /** Row and column of each chosen cell, with the least sum. */
  export default function munkres(costs: number[][]): [number, number][];
}
