import type { Side } from '../side';

/** A limit is data that every later step obeys, with the reason it is there. */
export type Limit = Readonly<{
  kind: 'effort cap' | 'sensation cap' | 'warm-up at least' | 'no past-flat' | 'no partner' | 'no ballistic';
  /** Percent, points of 10 or seconds, by kind. */
  value?: number;
  region?: string;
  side?: Side;
  reason: string;
}>;

export type Clearance = 'go' | 'go with limits' | 'clinician first' | 'urgent';

/** The tightest cap of a kind; the fallback where no limit says otherwise. */
export function capOf(limits: readonly Limit[], kind: 'effort cap' | 'sensation cap', fallback: number): number {
  return limits.reduce(
    (cap, limit) => (limit.kind === kind && limit.value !== undefined ? Math.min(cap, limit.value) : cap),
    fallback
  );
}
