import { error, fail, type ActionFailure } from '@sveltejs/kit';
import { z } from 'zod';
import { runChecked } from '$lib/contract/door';
import type { Problem, Result, Typed } from '$lib/contract/problem';
import { CoreError } from '$lib/core';
import type { Database } from './db/db';
import { sqlProblem } from './db/sqlState';
import { once } from './once';

const uuid = z.uuid();

export type FormFailure = Readonly<{ problem: Problem; typed: Typed; form: string }>;

/** `runChecked` for what writes: whom or what it was of may be gone since the page was opened. */
export const runWrite = <I, O>(schema: z.ZodType<I>, raw: unknown, run: (input: I) => O | Promise<O>): Promise<Result<O>> =>
  runChecked(schema, raw, async (input) => {
    try {
      return await run(input);
    } catch (problem) {
      throw sqlProblem(problem) === 'missing_reference' ? new CoreError('missing_reference', {}) : problem;
    }
  });

/** What came in as a form. A body that is none, or was cut off, is the sender's fault and not ours. */
export const formDataOf = (request: Request): Promise<FormData> =>
  request.formData().catch(() => error(400, 'This could not be read as a form.'));

type FormRun<O> = Readonly<{ ok: true; value: O }> | Readonly<{ ok: false; failure: ActionFailure<FormFailure> }>;

/**
 * A form as it came in: parsed, run, and on any problem given back with everything that was typed.
 *
 * `lists` names the fields that may come several times. `form` tells several forms of one page apart.
 */
export async function runForm<I, O>(
  request: Request,
  schema: z.ZodType<I>,
  run: (input: I, typed: Typed) => O | Promise<O>,
  { form = '', lists = [] as readonly string[], shape = (typed: Typed): unknown => typed } = {}
): Promise<FormRun<O>> {
  const data = await formDataOf(request);
  const typed: Record<string, string | string[]> = {};
  for (const key of new Set([...data.keys(), ...lists])) {
    const all = data.getAll(key).map(String);
    typed[key] = lists.includes(key) ? all : all[0]!;
  }
  const result = await runWrite(schema, shape(typed), (input) => run(input, typed));
  if (result.ok) return result;
  if (result.problem.code === 'not_found') error(404, 'There is no such page.');
  return {
    ok: false,
    failure: fail(result.problem.code === 'invalid_input' ? 400 : 409, { problem: result.problem, typed, form })
  };
}

/** A form that makes something new: sent again, with the id the page gave this filling-in, it makes no second one. */
export const runFormOnce = <I, O>(
  request: Request,
  db: Database,
  schema: z.ZodType<I>,
  run: (input: I, db: Database) => O | Promise<O>,
  options?: Parameters<typeof runForm>[3]
): Promise<FormRun<O>> =>
  runForm<I, O>(
    request,
    schema,
    (input, typed) => {
      const id = uuid.safeParse(typed.once);
      return id.success ? once(db, { id: id.data, said: typed }, (tx) => run(input, tx)) : run(input, db);
    },
    options
  );

const statusOf: Partial<Record<Problem['code'], number>> = { invalid_input: 400, not_found: 404 };

/** A result as the answer of an endpoint. */
export const asJson = <T>(result: Result<T>): Response =>
  Response.json(result, { status: result.ok ? 200 : (statusOf[result.problem.code] ?? 409) });
