import type { DrawnPhase } from '$lib/core';

/** Where a second and an effort lie in a drawing of some phases, to a tenth of its units; the line without effort is in the middle. */
export function effortScale(phases: readonly DrawnPhase[], width: number, height: number, scalePct: number) {
  const startS = phases[0]?.startS ?? 0;
  const endS = phases.at(-1)?.endS ?? 1;
  return {
    x: (s: number) => Math.round(((s - startS) / (endS - startS || 1)) * width * 10) / 10,
    y: (pct: number) => Math.round((height / 2 - (pct / scalePct) * (height / 2 - 3)) * 10) / 10
  };
}
