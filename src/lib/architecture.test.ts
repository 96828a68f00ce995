import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { describe, expect, test } from 'vitest';
import { limitKinds } from './core';

const root = 'src';
const files = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.(ts|svelte)$/.test(f) && !/\.(test|spec)\.ts$/.test(f))
  .map((f) => join(root, f));

const importsOf = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/(?:\bfrom\s+|\bimport\s*\(\s*|\bimport\s+)'([^']+)'/g)].map(([, target]) =>
    target!.startsWith('.') ? relative(root, join(dirname(file), target!)) : target!.replace(/^\$lib/, 'lib')
  );

/** Only types may cross from the server to the interface: they leave nothing behind in the browser. */
const valueImportsOf = (file: string): string[] => {
  const text = readFileSync(file, 'utf8').replace(/import type [^;]+;/g, '');
  return [...text.matchAll(/(?:\bfrom\s+|\bimport\s*\(\s*|\bimport\s+)'([^']+)'/g)].map(([, t]) =>
    t!.startsWith('.') ? relative(root, join(dirname(file), t!)) : t!.replace(/^\$lib/, 'lib')
  );
};

const layer = (path: string): string => /^(?:src\/)?(lib\/(?:core|contract|words|server|ui)|routes)/.exec(path)?.[1] ?? 'other';

const allowed: Readonly<Record<string, readonly string[]>> = {
  'lib/core': ['lib/core'],
  'lib/contract': ['lib/contract', 'lib/core'],
  'lib/words': ['lib/words', 'lib/contract', 'lib/core'],
  'lib/server': ['lib/server', 'lib/words', 'lib/contract', 'lib/core'],
  'lib/ui': ['lib/ui', 'lib/words', 'lib/contract', 'lib/core'],
  routes: ['routes', 'lib/ui', 'lib/words', 'lib/server', 'lib/contract', 'lib/core']
};

/** The folders of the core from the ground up: each imports only from rows above its own. */
const coreOrder: readonly (readonly string[])[] = [
  ['body', 'geometry', 'props'],
  ['cycle'],
  ['figure', 'school', 'screen'],
  ['measure'],
  ['goal', 'instrument', 'photo'],
  ['exercise', 'read', 'standIn'],
  ['safety', 'recipe'],
  ['grade', 'session', 'progress'],
  ['plan'],
  ['trend'],
  ['forecast']
];

describe('the direction of imports', () => {
  test.each(files.map((f) => [f]))('%s imports only what lies below it', (file) => {
    const from = layer(file);
    if (from === 'other') return;
    for (const target of valueImportsOf(file)) {
      const to = layer(target);
      if (to !== 'other') expect(allowed[from], `${file} → ${target}`).toContain(to);
    }
    // What is shown takes its types from the contract, so that it can be shown anything of that shape.
    if (from === 'lib/ui' || (from === 'routes' && /\.svelte(\.ts)?$/.test(file)))
      for (const target of importsOf(file)) expect(layer(target), `${file} → ${target}`).not.toBe('lib/server');
  });

  test('the core knows no interface, database, clock, DOM, Node or ambient randomness', () => {
    for (const file of files.filter((f) => layer(f) === 'lib/core' && !/core\/testing\//.test(f))) {
      for (const target of importsOf(file))
        expect(target, file).toMatch(
          /^(lib\/core|date-fns$|minisearch$|simple-statistics$|ml-levenberg-marquardt$|ml-matrix$|jstat$)/
        );
      expect(readFileSync(file, 'utf8'), file).not.toMatch(
        /Math\.random|Date\.now|new Date\(|\bdocument\.|\bwindow\.|\bprocess\./
      );
    }
  });

  test('the folders of the core stand in one order, without a ring', () => {
    const folder = (path: string) => /^(?:src\/)?lib\/core\/([^/]+)\//.exec(path)?.[1];
    const level = (name: string) => coreOrder.findIndex((row) => row.includes(name));
    for (const file of files.filter((f) => layer(f) === 'lib/core' && !/core\/testing\//.test(f))) {
      const from = folder(file);
      if (!from) continue; // the face, and the few words that every folder knows: days, errors, span
      expect(level(from), `${from} stands in the order`).toBeGreaterThanOrEqual(0);
      for (const to of importsOf(file).flatMap((t) => folder(t) ?? []))
        if (to !== from) expect(level(to), `${file} → ${to}`).toBeLessThan(level(from));
    }
  });

  test('only the face of the core is imported from outside it', () => {
    for (const file of files.filter((f) => layer(f) !== 'lib/core'))
      for (const target of importsOf(file).filter((t) => t.startsWith('lib/core'))) expect(target, file).toBe('lib/core');
  });

  test('limits are read by the gate alone: nowhere else is a kind of limit asked for', () => {
    const isAllowed = (f: string) => /^src\/lib\/core\/(safety|screen|testing)\//.test(f);
    for (const file of files.filter((f) => !isAllowed(f))) {
      const text = readFileSync(file, 'utf8');
      for (const kind of limitKinds) expect(text, `${file}: ${kind}`).not.toContain(`'${kind}'`);
    }
  });

  test('SQL is written in the repositories and migrations only', () => {
    for (const file of files.filter((f) => !/server\/(repo|db|testing)\//.test(f)))
      expect(readFileSync(file, 'utf8'), file).not.toMatch(/\.query\(\s*[`'"]/);
  });

  test('the record of a client is changed under its lock alone', () => {
    // What belongs to the studio, to no client yet, or to nobody any more.
    const studioWrites =
      /^(\w*(Prop|Quantity|Units|NamedCycle|OwnExercise|OwnExerciseRemoved|PropRemoved|SentForm|SentAnswer|DemoPerson|Before)|insertClient)$/;
    const writer =
      /export (?:async function|const) ((?:insert|update|upsert|delete|replace|append|supersede)\w*)\b[^(]*\(\s*\w+: (\w+)/g;
    const repos = files.filter((f) => /server\/repo\//.test(f));
    const writers = repos.flatMap((f) =>
      [...readFileSync(f, 'utf8').matchAll(writer)].map(([, name, type]) => ({ name: name!, type }))
    );
    expect(writers.length).toBeGreaterThan(50);
    for (const { name, type } of writers) if (!studioWrites.test(name)) expect(type, name).toBe('ClientTx');
    for (const file of files.filter((f) => !f.endsWith('repo/clientRepo.ts'))) {
      const text = readFileSync(file, 'utf8');
      expect(text, `${file} makes itself a lock`).not.toMatch(/as ClientTx/);
      if (!file.endsWith('service/changing.ts')) expect(text, `${file} locks a client by itself`).not.toMatch(/\blockClient\b/);
    }
  });
});
