import { mean } from 'simple-statistics';

/** One sample of an instrument. `deg` is null where the sensor had nothing to tell. */
export type AngleSample = Readonly<{ tMs: number; deg: number | null }>;

export type SteadinessRule = Readonly<{
  /** What is looked at: the last of the stream. */
  windowMs: number;
  /** At least so many samples in it, evenly enough: none further from the next than `maxSilenceMs`. */
  minSamples: number;
  maxSilenceMs: number;
  /** Spread about the line through it, sd. */
  maxSpreadDeg: number;
  /** Slope of that line, either way. */
  maxDriftDegPerS: number;
  /** More than that a second is thinned. */
  maxPerS: number;
}>;

/** A limb held by hand trembles by some tenths of a degree and sways; a stretch creeps (assumptions, docs/sources.md#instrument). */
export const steadinessRule: SteadinessRule = {
  windowMs: 1500,
  minSamples: 12,
  maxSilenceMs: 300,
  maxSpreadDeg: 0.9,
  maxDriftDegPerS: 0.5,
  maxPerS: 60
};

export type Steadiness = Readonly<{
  /** 'silent': nothing usable lately; 'gathering': not a whole window yet; 'moving' or 'steady'. */
  state: 'silent' | 'gathering' | 'moving' | 'steady';
  /** Newest value; null when silent. */
  deg: number | null;
  /** Where the line through the window has come to: trembling averages out, and the end of a settling limb is not held back. */
  restDeg: number | null;
  spreadDeg: number | null;
  driftDegPerS: number | null;
  samples: number;
}>;

/**
 * Whether an instrument has come to rest, from the samples up to now.
 *
 * Model:  least-squares line through the samples of the window; steady when enough samples fill it without a hole, their spread about the line is
 *         small and the line hardly rises or falls. Samples without a value are holes.
 * Units:  degrees, seconds; times in ms on any clock, ascending.
 */
export function steadiness(stream: readonly AngleSample[], nowMs: number, rule: SteadinessRule = steadinessRule): Steadiness {
  const lately = stream.filter(
    (s): s is { tMs: number; deg: number } => s.deg !== null && Number.isFinite(s.deg) && nowMs - s.tMs <= rule.windowMs
  );
  const newest = lately.at(-1);
  const none = { restDeg: null, spreadDeg: null, driftDegPerS: null, samples: lately.length };
  if (!newest || nowMs - newest.tMs > rule.maxSilenceMs) return { state: 'silent', deg: null, ...none };
  const spanMs = newest.tMs - lately[0]!.tMs;
  const hasHole = lately.some((s, i) => i > 0 && s.tMs - lately[i - 1]!.tMs > rule.maxSilenceMs);
  if (lately.length < rule.minSamples || spanMs < rule.windowMs - rule.maxSilenceMs || hasHole)
    return { state: 'gathering', deg: newest.deg, ...none };
  const { end, slopePerS, spread } = lineThrough(lately);
  const isSteady = spread <= rule.maxSpreadDeg && Math.abs(slopePerS) <= rule.maxDriftDegPerS;
  return {
    state: isSteady ? 'steady' : 'moving',
    deg: newest.deg,
    restDeg: end,
    spreadDeg: spread,
    driftDegPerS: slopePerS,
    samples: lately.length
  };
}

function lineThrough(lately: readonly { tMs: number; deg: number }[]) {
  const n = lately.length;
  const middleDeg = mean(lately.map((s) => s.deg));
  const middleMs = mean(lately.map((s) => s.tMs));
  const along = lately.reduce((sum, s) => sum + (s.tMs - middleMs) ** 2, 0);
  const slope = along === 0 ? 0 : lately.reduce((sum, s) => sum + (s.tMs - middleMs) * (s.deg - middleDeg), 0) / along;
  const left = lately.reduce((sum, s) => sum + (s.deg - middleDeg - slope * (s.tMs - middleMs)) ** 2, 0);
  return {
    end: middleDeg + slope * (lately.at(-1)!.tMs - middleMs),
    slopePerS: slope * 1000,
    spread: Math.sqrt(left / Math.max(1, n - 2))
  };
}

/**
 * The stream with one sample more: thinned to what the rule needs and no longer than its window, so that it stays short at any rate.
 * A sample that is older than the newest, or has no clock, is left out.
 */
export function withSample(
  stream: readonly AngleSample[],
  sample: AngleSample,
  { windowMs, maxPerS }: SteadinessRule = steadinessRule
): readonly AngleSample[] {
  const last = stream.at(-1);
  if (!Number.isFinite(sample.tMs) || (last && sample.tMs - last.tMs < 1000 / maxPerS)) return stream;
  return [...stream.filter((s) => sample.tMs - s.tMs <= windowMs), sample];
}
