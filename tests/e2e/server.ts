import { expect } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A copy of a studio's data, for one server. */
export function copyOfData(from: string): string {
  const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-e2e-'));
  cpSync(from, dataDir, { recursive: true });
  return dataDir;
}

/** A server of one test's own, beside those that all share. */
export async function startServer(port: number, env: Readonly<Record<string, string>>, nodeArgs: readonly string[] = []) {
  const origin = `http://localhost:${port}`;
  const server = spawn(process.execPath, [...nodeArgs, 'build'], {
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', ORIGIN: origin, DATABASE_URL: '', ...env },
    stdio: 'ignore'
  });
  await expect(async () => expect((await fetch(`${origin}/people`)).ok).toBe(true)).toPass({ timeout: 180_000 });
  return { origin, server };
}

export const killed = (server: ChildProcess) =>
  new Promise<void>((resolve) => {
    server.once('exit', () => resolve());
    server.kill('SIGKILL');
  });
