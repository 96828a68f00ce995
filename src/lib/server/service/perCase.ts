/**
 * Remembers what is derived from a case, or its shelf, for as long as that lives: a request asks for the same readings and grades
 * many times. Neither changes once loaded.
 */
export function perCase<C extends object, T>(derive: (c: C) => T): (c: C) => T {
  const known = new WeakMap<C, T>();
  return (c) => {
    const found = known.get(c);
    if (found !== undefined) return found;
    const value = derive(c);
    known.set(c, value);
    return value;
  };
}
