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
export function perCase<C extends object, T>(derive: (c: C) => T): (c: C) => T {
  const known = new WeakMap<object, T>();
  return (c) => {
    const key = madeOf.get(c) ?? c;
    const found = known.get(key);
    if (found !== undefined) return found;
    const value = derive(c);
    known.set(key, value);
    return value;
  };
}
