import { CoreError, requireRange } from '../errors';
import { layPhases, type Phase } from './phase';

export type Effort = Readonly<{ rampUpS: number; holdS: number; rampDownS: number; peakPct: number }>;

export type CycleSpec = Readonly<{
  holdS: number;
  rounds: number;
  press?: Effort;
  draw?: Effort;
  turnS: number;
  settleS: number;
  finalSettleS: number;
  /** Overrides, round by round. */
  perRound?: readonly Readonly<{ press?: Partial<Effort>; draw?: Partial<Effort> }>[];
}>;

export type EffortLimits = Readonly<{ effortCapPct?: number }>;

/** Where nothing else is said (common practice, the cautious side). docs/sources.md#caps */
export const defaultEffortCapPct = 60;
export const defaultSensationCap = 4;

/**
 * A contract-relax cycle as contiguous phases: hold, then in each round press, draw and settle, with their ramps, then a last settle.
 *
 * Model:  effort runs straight up, stays, runs straight down; press positive, draw negative. `turnS` only between a press and a draw.
 * Units:  seconds and percent of the greatest safe effort.
 * Throws: CoreError 'effort_above_cap' naming the peak and the cap; 'duration_out_of_range', 'rounds_out_of_range', 'peak_out_of_range'.
 *
 * @example totals(compileCycle(worked)).durationS // 316 for the worked cycle of docs/sources.md#worked-cycle
 */
export function compileCycle(spec: CycleSpec, limits: EffortLimits = {}): Phase[] {
  const capPct = limits.effortCapPct ?? defaultEffortCapPct;
  requireRange('rounds', spec.rounds, 0, 20);
  for (const s of [spec.holdS, spec.turnS, spec.settleS, spec.finalSettleS]) requireRange('duration', s, 0, 3600);
  const rounds = Array.from({ length: spec.rounds }, (_, i) => roundPieces(spec, i, capPct)).flat();
  return layPhases([
    { kind: 'hold', durationS: spec.holdS, cue: 'Hold. Breathe and let it come.' },
    ...rounds,
    { kind: 'settle', durationS: spec.finalSettleS, cue: 'Stay. Breathe in the new place.' }
  ]);
}

function roundPieces(spec: CycleSpec, round: number, capPct: number) {
  const over = spec.perRound?.[round];
  const press = spec.press && { ...spec.press, ...over?.press };
  const draw = spec.draw && { ...spec.draw, ...over?.draw };
  return [
    ...(press ? effortPieces('press', press, 1, capPct) : []),
    ...(press && draw ? [{ kind: 'turn' as const, durationS: spec.turnS, cue: 'Let go. Keep the shape.' }] : []),
    ...(draw ? effortPieces('draw', draw, -1, capPct) : []),
    { kind: 'settle' as const, durationS: spec.settleS, cue: 'Settle a little deeper on the out-breath.' }
  ];
}

function effortPieces(kind: 'press' | 'draw', effort: Effort, sign: 1 | -1, capPct: number) {
  for (const s of [effort.rampUpS, effort.holdS, effort.rampDownS]) requireRange('duration', s, 0, 600);
  requireRange('peak', effort.peakPct, 0, 100);
  if (effort.peakPct > capPct) throw new CoreError('effort_above_cap', { peakPct: effort.peakPct, capPct });
  const peak = sign * effort.peakPct;
  const word = kind === 'press' ? 'Press' : 'Draw';
  return [
    {
      kind: `${kind} up` as const,
      durationS: effort.rampUpS,
      fromPct: 0,
      toPct: peak,
      cue: `${word}, building up. Keep breathing.`
    },
    { kind, durationS: effort.holdS, fromPct: peak, toPct: peak, cue: `${word}, steady. Keep breathing.` },
    { kind: `${kind} down` as const, durationS: effort.rampDownS, fromPct: peak, toPct: 0, cue: 'Release slowly.' }
  ];
}
