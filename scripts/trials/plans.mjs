// Plans of random people, twenty times as many as in the run of all tests: none may hold what the gate bars or go past its minutes.
import { spawnSync } from 'node:child_process';

const { status } = spawnSync(
  process.execPath,
  [
    'node_modules/vitest/vitest.mjs',
    'run',
    'src/lib/core/plan/plan.test.ts',
    'src/lib/core/plan/planGate.test.ts',
    '--testTimeout=1500000'
  ],
  { stdio: 'inherit', env: { ...process.env, DRAWS: process.env.DRAWS ?? '20' } }
);
process.exit(status ?? 1);
