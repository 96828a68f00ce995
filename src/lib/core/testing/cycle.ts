import type { CycleSpec } from '../index';

/** Source: the worked cycle of docs/sources.md#worked-cycle, by hand. */
export const workedCycle: CycleSpec = {
  holdS: 120,
  rounds: 2,
  press: { rampUpS: 12, holdS: 10, rampDownS: 8, peakPct: 60 },
  draw: { rampUpS: 12, holdS: 12, rampDownS: 6, peakPct: 50 },
  turnS: 3,
  settleS: 20,
  finalSettleS: 30
};
