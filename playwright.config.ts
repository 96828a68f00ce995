import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumArgs, chromiumPath } from './scripts/chromium.mjs';
import { bodySizeLimit } from './scripts/setUp.mjs';

const port = 5191;
export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromiumPath(),
      args: chromiumArgs
    }
  },
  webServer: {
    command: 'node build',
    url: `http://localhost:${port}/people`,
    timeout: 60_000,
    env: {
      PORT: String(port),
      HOST: '127.0.0.1',
      ORIGIN: `http://localhost:${port}`,
      BODY_SIZE_LIMIT: bodySizeLimit,
      DATA_DIR: mkdtempSync(join(tmpdir(), 'calm-reach-e2e-')),
      DATABASE_URL: ''
    }
  }
});
