/** For what is there by how it was made, though its type cannot say so. */

/**
 * The value itself.
 * @param what names it in the error of whoever was wrong about it.
 * @throws where it is not there, which is a mistake of this program and never of what it reads.
 */
export function known<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new Error(`There is no ${what}, though there should be.`);
  return value;
}

/** @throws where the list is empty. */
export const firstOf = <T>(list: readonly T[]): T => known(list[0], 'first of a list');

/** @throws where the list is empty. */
export const lastOf = <T>(list: readonly T[]): T => known(list.at(-1), 'last of a list');
