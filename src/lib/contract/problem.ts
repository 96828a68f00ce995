import type { ProblemCode } from '$lib/core';

/** What can go wrong for a careful user, as data. Text is made last, in ui/problemText.ts. */
export type Problem =
  | Readonly<{ code: 'invalid_input'; fields: Readonly<Record<string, readonly string[]>> }>
  | Readonly<{ code: ProblemCode; data: Readonly<Record<string, number | string>> }>;

export type Result<T> =
  Readonly<{ ok: true; value: T; problem?: never }> | Readonly<{ ok: false; problem: Problem; value?: never }>;

/** A form as it was typed: what came several times as a list. */
export type Typed = Readonly<Record<string, string | string[]>>;
