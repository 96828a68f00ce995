import { createHash } from 'node:crypto';
import { z } from 'zod';
import type { Database } from './db';

const files = import.meta.glob<string>('./migrations/*.sql', { query: '?raw', import: 'default', eager: true });

const AppliedRow = z.object({ name: z.string(), sha256: z.string() });

export type Migration = Readonly<{ name: string; sql: string }>;

/** Migrations that come with the application, by name. */
export const migrations: readonly Migration[] = Object.entries(files)
  .map(([path, sql]) => ({ name: path.split('/').at(-1)!, sql }))
  .sort((a, b) => a.name.localeCompare(b.name));

/**
 * What is not applied yet, and how many are.
 *
 * Throws: Error when an applied file is gone, was changed, or a new one sorts before it.
 */
export async function waitingMigrations(
  db: Database,
  known: readonly Migration[] = migrations
): Promise<{ applied: number; waiting: readonly Migration[] }> {
  await db.query(
    `create table if not exists schema_migration (
       name text primary key,
       sha256 text not null,
       applied_at timestamptz not null default now()
     )`
  );
  const { rows } = await db.query('select name, sha256 from schema_migration order by name');
  const applied = z.array(AppliedRow).parse(rows);
  applied.forEach(({ name, sha256 }, i) => {
    const file = known[i];
    if (file?.name !== name)
      throw new Error(`migrations do not match the database: ${name} was applied, ${file?.name ?? 'nothing'} is here`);
    if (hashOf(file.sql) !== sha256) throw new Error(`migration ${name} was changed after it was applied`);
  });
  return { applied: applied.length, waiting: known.slice(applied.length) };
}

/**
 * Brings the schema up to date, forward only, each file in one transaction with its bookkeeping row.
 *
 * Throws: as `waitingMigrations`; nothing is applied then.
 */
export async function migrate(db: Database, known: readonly Migration[] = migrations): Promise<string[]> {
  const { waiting } = await waitingMigrations(db, known);
  for (const { name, sql } of waiting)
    await db.transaction(async (tx) => {
      for (const statement of statementsOf(sql)) await tx.query(statement);
      await tx.query('insert into schema_migration (name, sha256) values ($1, $2)', [name, hashOf(sql)]);
    });
  return waiting.map((m) => m.name);
}

const hashOf = (sql: string): string => createHash('sha256').update(sql).digest('hex');

/** One statement a query; our files hold a semicolon inside a statement only in what stands between two $$. */
export const statementsOf = (sql: string): string[] =>
  (sql.replace(/--.*$/gm, '').match(/(?:\$\$[\s\S]*?\$\$|[^;])+/g) ?? []).map((s) => s.trim()).filter(Boolean);
