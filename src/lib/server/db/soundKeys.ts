import { z } from 'zod';
import type { Db } from './db';

/**
 * Reads every row whole and every index against its table, and leaves nothing behind. A table that is cut at a page opens, and counts.
 *
 * Throws: whatever the database finds; Error where a table and one of its indexes do not have the same rows.
 */
export async function requireSoundKeys(tx: Db): Promise<void> {
  const Index = z.object({ oid: z.number(), name: z.string(), table: z.string(), columns: z.string() });
  const { rows } = await tx.query(
    `select i.indexrelid::int as oid, i.indexrelid::regclass::text as name, i.indrelid::regclass::text as "table",
            (select string_agg(quote_ident(a.attname), ', ' order by a.attnum) from pg_attribute a
              where a.attrelid = i.indrelid and a.attnum = any (i.indkey)) as columns
       from pg_index i join pg_class c on c.oid = i.indexrelid join pg_am m on m.oid = c.relam
      where c.relnamespace = 'public'::regnamespace and m.amname = 'btree' and i.indpred is null and i.indexprs is null`
  );
  const indexes = z.array(Index).parse(rows);
  const sizeOf = async (from: string) =>
    JSON.stringify((await tx.query(`select sum(length(t::text)) as size from ${from} t`)).rows);
  const whole = new Map<string, string>();
  for (const { table } of indexes) if (!whole.has(table)) whole.set(table, await sizeOf(table));
  await tx.query('savepoint look');
  await tx.query('create extension amcheck');
  for (const way of ['seqscan', 'bitmapscan', 'indexonlyscan']) await tx.query(`set local enable_${way} = off`);
  for (const { oid, name, table, columns } of indexes) {
    await tx.query(`select bt_index_check(${oid}::regclass, true)`);
    const byKey = await sizeOf(`(select * from ${table} order by ${columns})`);
    if (byKey !== whole.get(table)) throw new Error(`${table} does not agree with ${name}`);
  }
  await tx.query('rollback to savepoint look');
}
