/** What this browser keeps under a key; null where there is nothing, or nothing that can be read. */
export function stored(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
}

/** Keeps something small under a key. False where the browser keeps nothing more. */
export function store(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}
