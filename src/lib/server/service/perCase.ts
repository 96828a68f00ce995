import { oncePer } from '$lib/core';

/** From a case that was filled up to the one it was made of. */
const madeOf = new WeakMap<object, object>();

/** Says that what is derived of a case holds of another too, which has more in it and nothing else. */
export function remembersWith<C extends object>(origin: object, filled: C): C {
  madeOf.set(filled, origin);
  return filled;
}

/**
 * Remembers what is derived from a case, or its shelf, for as long as that lives: a request asks for the same readings and grades
 * many times. Neither changes once loaded.
 */
export const perCase = <C extends object, T>(derive: (c: C) => T): ((c: C) => T) => oncePer(derive, (c) => madeOf.get(c) ?? c);
