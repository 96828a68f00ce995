/** Derives something of an object once: asked for the same object again it is remembered. The object must not change. */
export function oncePer<K extends object, V>(derive: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, V>();
  return (of) => {
    const found = known.get(of);
    if (found !== undefined) return found;
    const value = derive(of);
    known.set(of, value);
    return value;
  };
}
