import { readFileSync, writeFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { limitRows, stopRows } from './limitTable';

const file = 'docs/safety.md';
const part = (name: string) => new RegExp(`(<!-- ${name} -->)([\\s\\S]*?)(<!-- /${name} -->)`);
const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n');
/** Without the padding a formatter puts in. */
const bare = (markdown: string): string =>
  markdown
    .replace(/-{2,}/g, '---')
    .replace(/[ \t]+/g, ' ')
    .trim();

const tables: Readonly<Record<string, string>> = {
  limits: table(['limit', 'bars', 'holds', 'told at'], limitRows()),
  stops: table(['told as', 'ends', 'knee', 'groin', 'chest', 'nowhere'], stopRows())
};

// After a change of the gate: UPDATE_DOCS=1 npx vitest run src/lib/core/safety/limitTable.test.ts, then npm run format.
describe('docs/safety.md', () => {
  test.each(Object.keys(tables))('its table of %s is what the gate does', (name) => {
    const text = readFileSync(file, 'utf8');
    if (process.env.UPDATE_DOCS)
      writeFileSync(
        file,
        text.replace(part(name), (_, from, __, to) => `${from}\n\n${tables[name]}\n\n${to}`)
      );
    expect(bare(part(name).exec(readFileSync(file, 'utf8'))![2]!)).toBe(bare(tables[name]!));
  });
});
