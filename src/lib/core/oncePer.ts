/**
 * Derives something of an object once: asked for the same object again it is remembered, as long as that lives. The object must not change.
 *
 * @param keyOf the object that it is remembered with, where that is another
 */
export function oncePer<K extends object, V>(derive: (of: K) => V, keyOf: (of: K) => object = (of) => of): (of: K) => V {
  const known = new WeakMap<object, V>();
  return (of) => {
    const key = keyOf(of);
    const found = known.get(key);
    if (found !== undefined) return found;
    const value = derive(of);
    known.set(key, value);
    return value;
  };
}
