import { defaultEffortCapPct, defaultSensationCap } from '../cycle/compileCycle';
import type { Limit, LimitKind } from '../screen/limit';
import { setByInstructor } from '../screen/screen';

/** What holds for whatever is done: the tightest of each. */
export type Caps = Readonly<{
  effortPct: number;
  /** Of 10. */
  sensation: number;
  /** Longest contraction, ramps and all; null where nothing says so. */
  contractionS: number | null;
  /** Least warm-up; 0 where nothing says so. */
  warmUpS: number;
  /** Whether the whole body may be tightened while something presses. */
  brace: boolean;
  /** Whether active work comes before what is opened passively. */
  activeFirst: boolean;
}>;

/** The caps of a person: what the instructor set in the Check, or the usual one, and below it the tightest that a limit says. */
export function capsOf(limits: readonly Limit[]): Caps {
  const of = (kind: LimitKind) => limits.filter((l) => l.kind === kind && l.value !== undefined);
  const least = (kind: LimitKind, usual: number) => {
    const set = of(kind).findLast((l) => l.from === setByInstructor)?.value ?? usual;
    return of(kind).reduce((cap, l) => (l.from === setByInstructor ? cap : Math.min(cap, l.value!)), set);
  };
  const contraction = least('contraction at most', Infinity);
  return {
    effortPct: least('effort cap', defaultEffortCapPct),
    sensation: least('sensation cap', defaultSensationCap),
    contractionS: contraction === Infinity ? null : contraction,
    warmUpS: Math.max(0, ...of('warm-up at least').map((l) => l.value!)),
    brace: !limits.some((l) => l.kind === 'no bracing'),
    activeFirst: limits.some((l) => l.kind === 'active work first')
  };
}

/** A cap of effort that is proposed to the instructor at most (common practice). */
const highestProposedPct = 80;

/** The next cap of effort that may be proposed to the instructor; none where anything but the instructor's own caps limits the person. */
export function nextEffortCap(limits: readonly Limit[]): number | null {
  const { effortPct } = capsOf(limits);
  const isFree = limits.every((l) => l.from === setByInstructor);
  return isFree && effortPct >= defaultEffortCapPct && effortPct < highestProposedPct ? effortPct + 10 : null;
}

/** How many sessions a newcomer to press and draw stays at the teaching effort. */
const teachingSessions = 2;

/** Limits after so many sessions: while somebody is still taught, the teaching effort is a cap like any other. */
export const whileTaught = (limits: readonly Limit[], sessionsDone: number): Limit[] =>
  limits.map((l) => (l.kind === 'teach first, effort cap' && sessionsDone < teachingSessions ? { ...l, kind: 'effort cap' } : l));

/** The limit that forbids a goal itself: past flat for the young, a lotus or a heel-sit for a knee that may not; null where none does. */
export function goalBar(goal: Readonly<{ kind: string; target: number | null }>, limits: readonly Limit[]): Limit | null {
  const kinds: LimitKind[] = [
    ...(goal.kind === 'front_split' && (goal.target ?? 0) < 0 ? (['no past-flat'] as const) : []),
    ...(goal.kind === 'lotus' ? (['no lotus'] as const) : []),
    ...(goal.kind === 'heel_sit' ? (['no heel-sit'] as const) : [])
  ];
  return limits.find((l) => kinds.includes(l.kind)) ?? null;
}

const capKinds = {
  effort: ['effort cap', 'teach first, effort cap'],
  sensation: ['sensation cap'],
  contraction: ['contraction at most'],
  hold: ['no long hold of a line'],
  bracing: ['no bracing']
} as const satisfies Record<string, readonly LimitKind[]>;

/** The limit that sets a cap at a value; null where it is the usual one. */
export const limitOfCap = (limits: readonly Limit[], cap: keyof typeof capKinds, at: number): Limit | null =>
  limits.find((l) => (capKinds[cap] as readonly LimitKind[]).includes(l.kind) && (l.value === undefined || l.value === at)) ??
  null;
