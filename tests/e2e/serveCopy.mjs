// Serves a copy of the data in STUDIO, so that what the tests of one worker change is seen by no other.
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-e2e-'));
cpSync(process.env.STUDIO, dataDir, { recursive: true });
process.env.DATA_DIR = dataDir;
process.on('exit', () => rmSync(dataDir, { recursive: true, force: true }));
await import('../../build/index.js');
