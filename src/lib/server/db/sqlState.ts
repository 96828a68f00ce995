/** SQLSTATE codes the application answers to; everything else is a fault. */
export type SqlProblem = 'conflict' | 'missing_reference' | 'out_of_range';

const problems: Readonly<Record<string, SqlProblem>> = {
  '23505': 'conflict',
  '23503': 'missing_reference',
  '23514': 'out_of_range'
};

/** What a driver error means to a careful user; null when it is a fault of the program. */
export function sqlProblem(error: unknown): SqlProblem | null {
  const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  return problems[code] ?? null;
}
