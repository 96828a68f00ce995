import { createRawSnippet, type Component } from 'svelte';
import { render } from 'svelte/server';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { goals, measureOf, sides } from '$lib/core';
import { isRedirect } from '@sveltejs/kit';
import type { Database } from '$lib/server/db/db';
import { photoFiles } from '$lib/server/photos/photoFiles';
import { caseMemory, type CaseMemory } from '$lib/server/service/caseMemory';
import { saveGoal } from '$lib/server/service/goalSetting';
import { goalInput, newPerson, passCheck, take, testDay } from '$lib/server/testing/people';
import { testDatabase } from '$lib/server/testing/testDatabase';

// Every station of every goal, as the server draws it, before its headline is measured and after.

type Load = (event: object) => Promise<Readonly<Record<string, unknown>>>;
const loads = import.meta.glob<{ load?: Load }>(['./+layout.server.ts', './people/[[]clientId=id]/**/+{page,layout}.server.ts'], {
  eager: true
});
const components = import.meta.glob<{ default: Component<Record<string, unknown>> }>(
  './people/[[]clientId=id]/**/+{page,layout}.svelte',
  { eager: true }
);

const stations = ['goal', 'check', 'measure', 'read', 'grade', 'plan', 'practise', 'review', 'pain'];
/** Stations that read the headline and have to do without it. */
const beforeMeasuring = ['measure', 'read', 'grade', 'plan'];

const store = testDatabase();
const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-pages-'));
afterAll(() => rmSync(dataDir, { recursive: true }));

/** The text of a station with its strip, as a browser gets it. */
async function drawn(db: Database, memory: CaseMemory, clientId: number, station: string): Promise<string> {
  const url = new URL(`http://localhost/people/${clientId}/${station}`);
  const params = { clientId: String(clientId) };
  const route = { id: `/people/[clientId=id]/${station}` };
  const locals: App.Locals = {
    studio: { restored: null, restoredRead: async () => undefined },
    db,
    photoFiles: photoFiles(dataDir, '00000000-0000-4000-8000-000000000001'),
    demoProgress: () => null,
    now: new Date(`${testDay}T17:00:00`),
    today: testDay,
    theme: 'system',
    hintsLeft: [],
    caseOf: (id) => memory.caseOf(id, testDay),
    memory
  };
  const event = { request: new Request(url), url, params, route, locals, depends: () => undefined, parent: async () => ({}) };
  const place = './people/[clientId=id]';
  let data: Record<string, unknown> = {};
  for (const file of ['./+layout.server.ts', `${place}/+layout.server.ts`, `${place}/${station}/+page.server.ts`])
    data = { ...data, ...(await loads[file]?.load?.(event)) };
  const page = { url, params, route, status: 200, error: null, data, form: null, state: {} };
  const context = new Map([['__request__', { page }]]);
  const children = createRawSnippet(() => ({ render: () => '<i></i>' }));
  return [`${place}/+layout.svelte`, `${place}/${station}/+page.svelte`]
    .map((file) => render(components[file]!.default, { props: { data, form: null, params, children }, context }).body)
    .join('');
}

test.each(goals.map((g) => g.id))('%s', (kind) =>
  store.rolledBack(async (db) => {
    const memory = caseMemory(db);
    const id = await newPerson(db);
    await passCheck(db, id, testDay);
    await saveGoal(db, id, null, goalInput(kind, kind === 'custom' ? { title: 'Bow' } : {}), testDay);
    const expectWhole = async (which: readonly string[]) => {
      for (const station of which) {
        const html = await drawn(db, memory, id, station).catch((thrown: unknown) => {
          if (isRedirect(thrown)) return null; // to the station that comes before it
          throw thrown;
        });
        if (html === null) continue;
        expect(html, station).toMatch(/<h[12]/);
        expect(html.replace(/<script[\s\S]*?<\/script>/g, ''), station).not.toMatch(/undefined|NaN|\[object/);
      }
    };
    await expectWhole(beforeMeasuring);
    const { headline } = goalInput(kind);
    const { usual, ways, modes, sides: taken, levels } = measureOf(headline);
    const middle = levels ? 1 : Math.round((usual[0] + usual[1]) / 2);
    for (const side of taken === 'each' ? sides : [null])
      await take(db, id, headline, side, [middle], { on: testDay, way: ways[0], mode: modes[0] });
    await expectWhole(stations);
  })
);
