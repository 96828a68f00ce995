import { mkdtempSync, rmSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { openEmbedded } from '../db/db';
import { migrate } from '../db/migrate';
import { personWithSplitPlan } from './sessions';

type DatabaseImage = Readonly<{ path: string; splitPlanId: number }>;
/** The two states a test file may begin with: migrated and empty, or with a person whose plan is solved. */
export type DatabaseImages = Readonly<Record<'empty' | 'split plan', DatabaseImage>>;

declare module 'vitest' {
  interface ProvidedContext {
    images: DatabaseImages;
  }
}

/** Migrates and solves once for the whole run; every test file begins with a copy. */
export default async function makeImages(project: TestProject): Promise<() => void> {
  const dir = mkdtempSync(join(tmpdir(), 'calm-reach-images-'));
  const [empty, withPlan] = [join(dir, 'empty.tar'), join(dir, 'split-plan.tar')];
  const db = await openEmbedded();
  const write = async (path: string) => writeFile(path, Buffer.from(await (await db.image()).arrayBuffer()));
  await migrate(db);
  await write(empty);
  const splitPlanId = await personWithSplitPlan(db);
  await write(withPlan);
  await db.close();
  project.provide('images', { empty: { path: empty, splitPlanId: 0 }, 'split plan': { path: withPlan, splitPlanId } });
  return () => rmSync(dir, { recursive: true });
}
