import { z } from 'zod';
import { CoreError, isProblemCode } from '$lib/core';
import type { Problem, Result } from './problem';

// The browser's policy forbids eval, which Zod would otherwise try.
z.config({
  jitless: true,
  // A choice that was not offered comes from no form of ours: its list of ids would help nobody.
  customError: ({ code }) => (code === 'invalid_value' ? 'Choose one of those that are offered' : undefined)
});

/**
 * The one way in: parses raw input, runs, and answers with data. What can happen to a careful user is a problem with a code;
 * any other throw is a fault and goes on up.
 */
export async function runChecked<I, O>(
  schema: z.ZodType<I>,
  raw: unknown,
  run: (input: I) => O | Promise<O>
): Promise<Result<O>> {
  const parsed = schema.safeParse(raw);
  if (!parsed.success) return { ok: false, problem: { code: 'invalid_input', fields: fieldErrors(parsed.error) } };
  try {
    return { ok: true, value: await run(parsed.data) };
  } catch (error) {
    return { ok: false, problem: problemOf(error) };
  }
}

/** The same without waiting, for computations in the browser. */
export function compute<O>(run: () => O): Result<O> {
  try {
    return { ok: true, value: run() };
  } catch (error) {
    return { ok: false, problem: problemOf(error) };
  }
}

function problemOf(error: unknown): Problem {
  if (error instanceof CoreError && isProblemCode(error.code)) return { code: error.code, data: error.data };
  throw error;
}

/** Messages by dotted path, so that a field inside a list keeps its own. */
function fieldErrors(error: z.ZodError): Record<string, string[]> {
  const fields: Record<string, string[]> = {};
  for (const issue of error.issues) (fields[issue.path.join('.')] ??= []).push(issue.message);
  return fields;
}
