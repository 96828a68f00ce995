// Debian's browser: where it is, and the arguments that keep it to itself.
import { existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';

/** Wherever the PATH has it; undefined when it is not installed. */
export const chromiumPath = () =>
  (process.env.PATH ?? '')
    .split(delimiter)
    .map((dir) => join(dir, 'chromium'))
    .find((path) => existsSync(path));

export const chromiumArgs = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync'
];
