import { effortsOf, type CycleSpec, type RoundOfItsOwn } from './compileCycle';

/** A number of a cycle that a hand may move: how far it goes and in what steps. */
export type Bound = Readonly<{ min: number; max: number; step: number }>;
/** Bounds of what the exercise has a dial for, or a limit an end; the rest has the usual. */
export type CycleBounds = Readonly<{ holdS: Bound; contractionS: Bound; effortPct: Bound }>;

type EffortKind = 'press' | 'draw';
type Part = `${EffortKind} up` | EffortKind | `${EffortKind} down`;
export type CornerId = 'hold' | 'turn' | 'settle' | 'last settle' | Part | `${EffortKind} of round ${number}`;

/** A corner of the effort curve: where it stands, and whether time and effort can be moved there. */
export type Corner = Readonly<{ id: CornerId; atS: number; pct: number; moves: Readonly<{ time: boolean; effort: boolean }> }>;

export const usualBounds: CycleBounds = {
  holdS: { min: 0, max: 600, step: 5 },
  contractionS: { min: 0, max: 120, step: 1 },
  effortPct: { min: 0, max: 100, step: 5 }
};
const rampBound: Bound = { min: 0, max: 60, step: 1 };
const pauseBound: Bound = { min: 0, max: 120, step: 1 };

/**
 * The corners of a cycle's curve, in the order of time: those of the first round move the figures of all, later rounds their own peaks.
 *
 * Units: seconds from the start of the cycle, percent (draw negative).
 */
export function cornersOf(spec: CycleSpec): Corner[] {
  const corners: Corner[] = [];
  let atS = 0;
  const put = (id: CornerId, lengthS: number, pct: number, moves: Partial<Corner['moves']> | null) => {
    atS += lengthS;
    if (moves) corners.push({ id, atS, pct, moves: { time: false, effort: false, ...moves } });
  };
  put('hold', spec.holdS, spec.holdPct ?? 0, { time: true });
  for (let round = 0; round < spec.rounds; round++) {
    const first = round === 0;
    const efforts = effortsOf(spec, round);
    const order = (spec.drawFirst ? ['draw', 'press'] : ['press', 'draw']).filter((k): k is EffortKind => k in efforts);
    for (const [i, kind] of order.entries()) {
      const effort = efforts[kind]!;
      const pct = (kind === 'press' ? 1 : -1) * effort.peakPct;
      const up = first
        ? ([`${kind} up`, { time: true, effort: true }] as const)
        : ([`${kind} of round ${round}`, { effort: true }] as const);
      put(up[0], effort.rampUpS, pct, up[1]);
      put(kind, effort.holdS, pct, first ? { time: true, effort: true } : null);
      put(`${kind} down`, effort.rampDownS, 0, first ? { time: true } : null);
      if (i === 0 && order.length > 1) put('turn', spec.turnS, 0, first ? { time: true } : null);
    }
    put('settle', spec.settleS, 0, first ? { time: true } : null);
  }
  put('last settle', spec.finalSettleS, 0, { time: true });
  return corners;
}

/**
 * A cycle with one corner moved by so many seconds and so much effort (outward positive), kept on the steps and inside the bounds.
 *
 * Model:  time at a corner is the length of the part that ends there; the first peak is that of every round until one has its own.
 * Units:  seconds, percent.
 */
export function moveCorner(
  spec: CycleSpec,
  id: CornerId,
  by: Readonly<{ s?: number; pct?: number }>,
  bounds: CycleBounds = usualBounds
): CycleSpec {
  const s = by.s ?? 0;
  const pause = pausesOf[id];
  if (pause) {
    const step = spec.breathS !== undefined && pause !== 'holdS' ? spec.breathS : undefined;
    const bound = pause === 'holdS' ? bounds.holdS : { ...pauseBound, ...(step !== undefined && { step }) };
    return { ...spec, [pause]: held(spec[pause] + s, bound) };
  }
  const own = /^(press|draw) of round (\d+)$/.exec(id);
  if (own) {
    const round = Number(own[2]);
    const kind = own[1] as EffortKind;
    return withPeak(spec, kind, round, held(effortsOf(spec, round)[kind]!.peakPct + (by.pct ?? 0), bounds.effortPct));
  }
  const kind: EffortKind = id.startsWith('press') ? 'press' : 'draw';
  const effort = spec[kind];
  if (!effort) return spec;
  const part = id === kind ? 'holdS' : id === `${kind} up` ? 'rampUpS' : 'rampDownS';
  const timed = {
    ...spec,
    [kind]: { ...effort, [part]: held(effort[part] + s, part === 'holdS' ? bounds.contractionS : rampBound) }
  };
  if (!by.pct || part === 'rampDownS') return timed;
  return withPeak(timed, kind, 0, held(effortsOf(spec, 0)[kind]!.peakPct + by.pct, bounds.effortPct));
}

const pausesOf: Readonly<Partial<Record<CornerId, 'holdS' | 'turnS' | 'settleS' | 'finalSettleS'>>> = {
  hold: 'holdS',
  turn: 'turnS',
  settle: 'settleS',
  'last settle': 'finalSettleS'
};

/** The peak of one round; that of the first is the peak of every round that has none of its own. */
export function withPeak(spec: CycleSpec, kind: EffortKind, round: number, peakPct: number): CycleSpec {
  const own = spec.perRound?.some((r) => r[kind]?.peakPct !== undefined) ?? false;
  if (round === 0 && !own) return { ...spec, [kind]: { ...spec[kind]!, peakPct } };
  const perRound = Array.from({ length: spec.rounds }, (_, i): RoundOfItsOwn => {
    const peak = i === round ? peakPct : effortsOf(spec, i)[kind]!.peakPct;
    return { ...spec.perRound?.[i], [kind]: { ...spec.perRound?.[i]?.[kind], peakPct: peak } };
  });
  return { ...spec, perRound, [kind]: { ...spec[kind]!, peakPct: Math.max(...perRound.map((r) => r[kind]!.peakPct!)) } };
}

/** One round with something of its own; what is undefined in it goes back to that of every round. */
export function withRound(spec: CycleSpec, round: number, own: RoundOfItsOwn): CycleSpec {
  const perRound = Array.from({ length: spec.rounds }, (_, i): RoundOfItsOwn => {
    const before = spec.perRound?.[i] ?? {};
    if (i !== round) return before;
    const { press, draw, ...rest } = { ...before, ...own };
    const efforts = { press: { ...before.press, ...press }, draw: { ...before.draw, ...draw } };
    return { ...rest, ...(press && { press: efforts.press }), ...(draw && { draw: efforts.draw }) };
  });
  return { ...spec, perRound };
}

const held = (value: number, { min, max, step }: Bound): number =>
  Math.min(max, Math.max(min, Math.round((Math.round(value / step) * step + Number.EPSILON) * 100) / 100));
