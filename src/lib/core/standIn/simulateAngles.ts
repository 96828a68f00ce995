import { normalDraw, seededRandom } from '../geometry/random';
import type { AngleSample } from '../instrument/steadiness';

/** How the stand-in for an instrument behaves; all but the first are for trying out what can go wrong. */
export const behaviours = ['well', 'drops out', 'silent', 'flood', 'nothing to tell'] as const;
export type Behaviour = (typeof behaviours)[number];

export type SimulatedLimb = Readonly<{
  /** Where the limb comes to rest. */
  restDeg: number;
  /** Where it starts from. */
  startDeg: number;
  seed: number;
  behaviour?: Behaviour;
}>;

/** All assumptions, docs/sources.md#instrument. */
const motion = {
  settleS: 0.9, // time constant of the limb on its way
  swingDeg: 3, // of the overshoot that dies away
  tremorHz: 9,
  tremorDeg: 0.3,
  swayHz: 0.25, // breathing
  swayDeg: 0.3,
  noiseSdDeg: 0.35,
  driftDegPerS: 0.03,
  placingSdDeg: 1, // the instrument never lies quite along the limb
  samplesPerS: 50,
  lostShare: 0.03
} as const;

/**
 * The samples of an instrument laid on a limb that is brought to its end and held there.
 *
 * Model:  exponential approach with a dying swing, tremor, breathing sway, noise, slow drift, an error of placing that stays for the
 *         reading, and now and then a lost sample. The same seed gives the same stream.
 * Units:  degrees, ms from the start.
 */
export function* simulateAngles({ restDeg, startDeg, seed, behaviour = 'well' }: SimulatedLimb): Generator<AngleSample> {
  const random = seededRandom(seed);
  const placing = motion.placingSdDeg * normalDraw(random);
  const phase = 2 * Math.PI * random();
  const perS = behaviour === 'flood' ? 200 : motion.samplesPerS;
  if (behaviour === 'silent') return;
  for (let i = 0; ; i++) {
    const tMs = (i * 1000) / perS;
    const t = tMs / 1000;
    if (behaviour === 'drops out' && t > 1.2) return;
    const away = Math.exp(-t / motion.settleS);
    const deg =
      restDeg +
      (startDeg - restDeg) * away +
      motion.swingDeg * away * Math.sin(5 * t) +
      motion.tremorDeg * Math.sin(2 * Math.PI * motion.tremorHz * t + phase) +
      motion.swayDeg * Math.sin(2 * Math.PI * motion.swayHz * t + phase) +
      motion.noiseSdDeg * normalDraw(random) +
      motion.driftDegPerS * t +
      placing;
    if (random() < motion.lostShare) continue;
    yield { tMs, deg: behaviour === 'nothing to tell' ? null : deg };
  }
}
