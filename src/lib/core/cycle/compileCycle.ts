import type { TimedHold } from './compileHold';
import { CoreError, requireRange } from '../errors';
import type { Cue, CueNote } from './cue';
import { layPhases, type Phase, type PhaseKind, type Piece } from './phase';

export type Effort = Readonly<{ rampUpS: number; holdS: number; rampDownS: number; peakPct: number }>;

/** Things a press may go against. */
export const resistances = ['hand', 'floor', 'strap', 'wall', 'partner', 'other leg'] as const;
export type Resistance = (typeof resistances)[number];

/** How it goes deeper between the rounds. */
export const deepenings = ['move the limb', 'tilt the pelvis', 'lean', 'lower the prop', 'breathe out'] as const;
export type Deepening = (typeof deepenings)[number];

/** What one round has of its own, in place of the usual. */
export type RoundOfItsOwn = Readonly<{ press?: Partial<Effort>; draw?: Partial<Effort>; deepening?: Deepening }>;

export type CycleSpec = Readonly<{
  holdS: number;
  /** How the opening hold is counted, where not in seconds. */
  hold?: TimedHold;
  rounds: number;
  press?: Effort;
  draw?: Effort;
  turnS: number;
  settleS: number;
  finalSettleS: number;
  /** Overrides, round by round. */
  perRound?: readonly RoundOfItsOwn[];
  /** The draw comes before the press. */
  drawFirst?: boolean;
  /** Effort all through the opening hold: press positive, draw negative. */
  holdPct?: number;
  /** Effort climbs and falls in steps of so many percent; smoothly where absent. */
  stepPct?: number;
  /** Length of one breath, where turn and settling are counted in breaths. */
  breathS?: number;
  /** So many rounds may be done where last time is to be exceeded. @default rounds */
  mostRounds?: number;
  /** The position is left between the rounds. */
  leaves?: boolean;
  brace?: boolean;
  resistance?: Resistance;
  deepening?: Deepening;
  /** Nothing may get harder: the settling stays where it is. */
  stays?: boolean;
  /** Every second round presses another way, in these words. */
  secondWay?: string;
}>;

export type EffortLimits = Readonly<{ effortCapPct?: number }>;

/** Where nothing else is said (common practice, the cautious side). docs/sources.md#caps */
export const defaultEffortCapPct = 60;
export const defaultSensationCap = 4;

/** Rounds of one cycle at most. */
export const mostCycleRounds = 20;

/**
 * A contract-relax cycle as contiguous phases: hold, then in each round press and draw in their order and settle, then a last settle.
 *
 * Model:  effort runs straight up, stays, runs straight down, or climbs in even steps that take equal times; press positive, draw
 *         negative. `turnS` only between a press and a draw. Left between the rounds, the position is under no stretch there.
 * Units:  seconds and percent of the greatest safe effort.
 * Throws: CoreError 'effort_above_cap' naming the peak and the cap; 'out_of_range'.
 *
 * @example totals(compileCycle(worked)).durationS // 316 for the worked cycle of docs/sources.md#worked-cycle
 */
export function compileCycle(spec: CycleSpec, limits: EffortLimits = {}): Phase[] {
  const capPct = limits.effortCapPct ?? defaultEffortCapPct;
  requireRange('rounds', spec.rounds, 0, mostCycleRounds);
  for (const s of [spec.holdS, spec.turnS, spec.settleS, spec.finalSettleS]) requireRange('duration', s, 0, 3600);
  if (spec.stepPct !== undefined) requireRange('step', spec.stepPct, 5, 100);
  if (spec.breathS !== undefined) requireRange('breath', spec.breathS, 2, 20);
  const holdPct = requireEffort(spec.holdPct ?? 0, capPct);
  const rounds = Array.from({ length: spec.rounds }, (_, i) => roundPieces(spec, i, capPct)).flat();
  return layPhases([
    holdPct === 0
      ? { kind: 'hold', durationS: spec.holdS, cue: { code: 'let it come' }, ...spec.hold }
      : { kind: holdPct > 0 ? 'press' : 'draw', durationS: spec.holdS, fromPct: holdPct, cue: { code: 'lightly at work' } },
    ...rounds,
    { kind: 'settle', durationS: spec.finalSettleS, cue: { code: 'stay' }, beatS: spec.breathS }
  ]);
}

function roundPieces(spec: CycleSpec, round: number, capPct: number): Piece[] {
  const { press, draw } = effortsOf(spec, round);
  const how = round % 2 === 1 ? spec.secondWay : undefined;
  const efforts = [
    ...(press ? [effortPieces('press', press, spec, capPct, how)] : []),
    ...(draw ? [effortPieces('draw', draw, spec, capPct)] : [])
  ];
  const [first, second] = spec.drawFirst ? efforts.toReversed() : efforts;
  const turn: Piece = { kind: 'turn', durationS: spec.turnS, cue: { code: 'let go' }, beatS: spec.breathS };
  return [
    ...(first ?? []),
    ...(second ? [turn, ...second] : []),
    spec.leaves && round < spec.rounds - 1
      ? { kind: 'rest', durationS: spec.settleS, cue: { code: 'out and in again' } }
      : { kind: 'settle', durationS: spec.settleS, cue: settleCue(spec, round), beatS: spec.breathS }
  ];
}

/** The efforts of one round, its own figures in place of the usual. */
export function effortsOf(spec: CycleSpec, round: number): { press?: Effort; draw?: Effort } {
  const over = spec.perRound?.[round];
  return {
    ...(spec.press && { press: { ...spec.press, ...over?.press } }),
    ...(spec.draw && { draw: { ...spec.draw, ...over?.draw } })
  };
}

function settleCue({ stays, deepening: usual, perRound }: CycleSpec, round: number): Cue {
  if (stays) return { code: 'settle here' };
  const deepening = perRound?.[round]?.deepening ?? usual;
  return { code: 'settle deeper', ...(deepening && { deepening }) };
}

function requireEffort(pct: number, capPct: number): number {
  requireRange('peak', Math.abs(pct), 0, 100);
  if (Math.abs(pct) > capPct) throw new CoreError('effort_above_cap', { peakPct: Math.abs(pct), capPct });
  return pct;
}

function effortPieces(kind: 'press' | 'draw', effort: Effort, spec: CycleSpec, capPct: number, how?: string): Piece[] {
  for (const s of [effort.rampUpS, effort.holdS, effort.rampDownS]) requireRange('duration', s, 0, 600);
  const sign = kind === 'press' ? 1 : -1;
  const peak = sign * requireEffort(effort.peakPct, capPct);
  const notes: CueNote[] = [
    ...(spec.resistance && kind === 'press' ? [{ code: 'against', resistance: spec.resistance } as const] : []),
    ...(spec.brace ? [{ code: 'brace' } as const] : [])
  ];
  const shared = { ...(how !== undefined && { how }), notes };
  const ramp = (end: PhaseKind, durationS: number, fromPct: number, toPct: number, cue: Cue): Piece[] =>
    rampPieces(spec.stepPct, durationS, fromPct, toPct).map((piece) => ({ kind: end, cue, ...piece, ...shared }));
  return [
    ...ramp(`${kind} up`, effort.rampUpS, 0, peak, { code: `build the ${kind}` }),
    { kind, durationS: effort.holdS, fromPct: peak, toPct: peak, cue: { code: kind }, ...shared },
    ...ramp(`${kind} down`, effort.rampDownS, peak, 0, { code: 'release' })
  ];
}

/** A ramp as one straight piece, or as stairs of equal times whose levels lie strictly between its ends. */
function rampPieces(stepPct: number | undefined, durationS: number, fromPct: number, toPct: number) {
  const most = Math.max(Math.abs(fromPct), Math.abs(toPct));
  const sign = Math.sign(fromPct + toPct);
  const count = stepPct === undefined ? 0 : Math.ceil(most / stepPct - 1e-9) - 1;
  if (stepPct === undefined || count < 1) return [{ durationS, fromPct, toPct }];
  const levels = Array.from({ length: count }, (_, i) => sign * stepPct * (i + 1));
  return (toPct === 0 ? levels.toReversed() : levels).map((pct) => ({ durationS: durationS / count, fromPct: pct, toPct: pct }));
}

/** A cycle whose pauses are counted in breaths, for somebody who breathes at another length; any other as it is. */
export function atBreath(spec: CycleSpec, breathS: number): CycleSpec {
  if (spec.breathS === undefined) return spec;
  const of = (s: number) => Math.round(s / spec.breathS!) * breathS;
  return { ...spec, breathS, turnS: of(spec.turnS), settleS: of(spec.settleS), finalSettleS: of(spec.finalSettleS) };
}
