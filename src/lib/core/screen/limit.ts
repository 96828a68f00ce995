import type { MotionId } from '../goal/motions';
import type { Line } from '../exercise/exercise';
import type { Side } from '../side';

/** Limits that carry a number, with its unit. */
export const valuedLimits = {
  'effort cap': '%',
  'sensation cap': '/10',
  'warm-up at least': 's',
  'contraction at most': 's',
  'deepening at most every': 'days',
  'rung at least': 'days',
  'joint end stop': '°',
  'teach first, effort cap': '%'
} as const;

/** Limits that rule something out. */
export const plainLimits = [
  'no past-flat',
  'no partner',
  'no hands-on',
  'no ballistic',
  'no bracing',
  'no loaded stretch',
  'no loaded roll-down',
  'no rounded fold',
  'no passive stretch of a line',
  'no long hold of a line',
  'no deepening',
  'no end-range work',
  'no head-down',
  'no inversion',
  'no long time on the back',
  'nothing lying on the front',
  'wide support only',
  'no heel-sit',
  'no lotus',
  'no lever on the foot',
  'stay short of the pinch',
  'active work first',
  'adult present',
  'half way only'
] as const;

export type LimitKind = keyof typeof valuedLimits | (typeof plainLimits)[number];

/** A limit is data that every later step obeys, with the reason it is there. */
export type Limit = Readonly<{
  kind: LimitKind;
  /** Percent, points of 10, seconds, days or degrees, by kind. */
  value?: number;
  region?: string;
  motion?: MotionId;
  line?: Line;
  side?: Side;
  reason: string;
}>;

export type Clearance = 'go' | 'go with limits' | 'clinician first' | 'urgent';

/** The tightest cap of a kind; the fallback where no limit says otherwise. */
export function capOf(
  limits: readonly Limit[],
  kind: 'effort cap' | 'sensation cap' | 'contraction at most',
  fallback: number
): number {
  return limits.reduce(
    (cap, limit) => (limit.kind === kind && limit.value !== undefined ? Math.min(cap, limit.value) : cap),
    fallback
  );
}

/** The longest wait of a kind that bears on a side; the fallback where no limit asks for more. */
export function waitOf(
  limits: readonly Limit[],
  kind: 'deepening at most every' | 'rung at least',
  side: Side,
  fallback: number
): number {
  return limits.reduce(
    (days, limit) =>
      limit.kind === kind && limit.value !== undefined && (limit.side === undefined || limit.side === side)
        ? Math.max(days, limit.value)
        : days,
    fallback
  );
}

export const hasLimit = (limits: readonly Limit[], kind: (typeof plainLimits)[number]): boolean =>
  limits.some((l) => l.kind === kind);

/** Lines that a limit keeps from passive stretching: they rest. */
export const linesAtRest = (limits: readonly Limit[]): { line: Line; side: Side }[] =>
  limits.flatMap((l) => {
    if (l.kind !== 'no passive stretch of a line' || !l.line) return [];
    const { line } = l;
    return l.side ? [{ line, side: l.side }] : (['left', 'right'] as const).map((side) => ({ line, side }));
  });

/** The end stop of a joint motion on a side: the tightest; null where none is set. */
export function endStopDeg(limits: readonly Limit[], motion: MotionId, side: Side): number | null {
  const stops = limits.flatMap((l) =>
    l.kind === 'joint end stop' && l.motion === motion && l.value !== undefined && (l.side === undefined || l.side === side)
      ? [l.value]
      : []
  );
  return stops.length > 0 ? Math.min(...stops) : null;
}
