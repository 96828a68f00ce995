import { defineConfig } from '@playwright/test';
import { chromiumArgs, chromiumPath } from './scripts/chromium.mjs';
import { bodySizeLimit } from './scripts/setUp.mjs';

/** Two at once, each with a server and a copy of the test studio of its own: a worker knows its place. */
const places = 2;
const portOf = (place: number) => 5191 + place;
const originOf = (place: number) => `http://localhost:${portOf(place)}`;

const hintsOff = {
  ...{ name: 'hints', value: 'off', domain: 'localhost', path: '/' },
  ...{ expires: -1, httpOnly: false, secure: false, sameSite: 'Lax' as const }
};

export default defineConfig({
  testDir: 'tests/e2e',
  workers: places,
  // Nothing is timed: these only end a wait for what never comes, also where others take most of the machine.
  timeout: 900_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    // A worker of the application would stand between the tests and what they watch; the test of what works away from it lets it in.
    serviceWorkers: 'block',
    baseURL: originOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0)),
    viewport: { width: 1280, height: 800 },
    // Hints were read: they are tried by the test of a stranger's first way.
    storageState: { cookies: [hintsOff], origins: [] },
    launchOptions: {
      executablePath: chromiumPath(),
      args: chromiumArgs
    }
  },
  webServer: Array.from({ length: places }, (_, place) => ({
    command: 'node tests/e2e/serveCopy.mjs',
    url: `${originOf(place)}/people`,
    timeout: 180_000,
    env: {
      PORT: String(portOf(place)),
      HOST: '127.0.0.1',
      ORIGIN: originOf(place),
      BODY_SIZE_LIMIT: bodySizeLimit,
      STUDIO: 'data/tests/studio/data',
      DATABASE_URL: ''
    }
  }))
});
