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

/** The keys of a table by their names; `Object.keys` forgets them, for an object may hold more than its type says. */
export const keysOf = <T extends object>(table: T): (keyof T & string)[] => Object.keys(table) as (keyof T & string)[];

/** The one of these that a text names; what a field hands on is any text to its type. Throws where none is. */
export const oneOf = <T extends string>(all: readonly T[], text: string): T =>
  known(
    all.find((one) => one === text),
    `choice “${text}”`,
  );
