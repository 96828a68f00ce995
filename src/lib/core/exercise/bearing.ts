import { hasNoSide, type Joint, type Line } from '../body/body';
import { motionOf, type MotionId } from '../body/motions';
import type { Exercise } from './exercise';

type Trains = Pick<Exercise, 'moves' | 'kinds' | 'phases' | 'position' | 'sides' | 'traits'> & Partial<Pick<Exercise, 'dials'>>;
type On = 'same' | 'other';

/** The line that is lengthened when a joint is brought along a motion (common practice). */
const lengthened: Readonly<Partial<Record<MotionId, Line>>> = {
  'HF-KS': 'hamstring',
  KE: 'hamstring',
  HE: 'hip flexor',
  'HE-KF': 'hip flexor',
  KF: 'hip flexor',
  HAB: 'inner thigh',
  HAB90: 'inner thigh',
  HAD: 'outer hip',
  HER90: 'outer hip',
  HIR90: 'outer hip',
  HIR0: 'outer hip',
  ADF: 'calf',
  WF: 'forearm',
  WE: 'forearm'
};

/** The line that is lengthened along a motion; undefined where none is known for it. */
export const lineOf = (motion: MotionId): Line | undefined => lengthened[motion];

/** Motions whose lever is the shin or a bent knee: what turns or opens the hip so goes through the knee as well (common practice). */
const throughTheKnee: ReadonlySet<MotionId> = new Set(['HER0', 'HIR0', 'HER90', 'HIR90', 'HAB90', 'HF-KB', 'HE-KF']);
export const isThroughTheKnee = (motion: MotionId): boolean => throughTheKnee.has(motion);

/** What a starting position bears on, whatever is trained in it. */
const borne: Readonly<Partial<Record<Exercise['position'], readonly (readonly [Joint, On])[]>>> = {
  lunge: both('hip', 'knee'),
  'in the split': both('hip', 'knee'),
  kneeling: both('knee'),
  'on all fours': both('knee', 'wrist', 'elbow', 'shoulder')
};

function both(...joints: Joint[]): (readonly [Joint, On])[] {
  return joints.flatMap((joint) => [[joint, 'same'] as const, [joint, 'other'] as const]);
}

/** Whether weight, help, a partner or momentum takes a limb where its own muscles do not. */
export const isStretching = ({ kinds, phases, position, traits }: Trains): boolean =>
  kinds.includes('passive') ||
  kinds.includes('assisted') ||
  traits.includes('ballistic') ||
  position === 'in the split' ||
  (kinds.includes('isometric') && (phases.includes('contract-relax') || phases.includes('hold')));

/**
 * What an exercise loads, as it follows from what it trains.
 *
 * Model:  the joints of its motions, each on its leg; with a turned hip, a hip opened over a bent knee or a deep bend also that
 *         knee; what its starting position bears on; standing on one leg, the joints of that leg.
 * Source: common practice, the cautious side: what is loaded is never left out for being loaded little.
 */
export function loadsOf(e: Trains): Exercise['loads'] {
  const found = e.moves.flatMap(({ motion, on }): (readonly [Joint, On])[] => [
    [motionOf(motion).joint, on],
    ...(throughTheKnee.has(motion) ? [['knee', on] as const] : [])
  ]);
  const onOneLeg = e.position === 'standing' && e.sides === 'each' && found.some(([joint]) => isOfTheLeg(joint));
  return distinct([
    ...found,
    ...(borne[e.position] ?? []),
    ...(onOneLeg ? (['hip', 'knee', 'ankle'] as const).map((joint) => [joint, 'other'] as const) : [])
  ]).map(([joint, on]) => ({ joint, on: hasNoSide(joint) ? ('middle' as const) : on }));
}

const isOfTheLeg = (joint: Joint): boolean => joint === 'hip' || joint === 'knee' || joint === 'ankle';

/** True where muscles work a limb under load or at the end of its range: what they lengthen is under tension there too. */
const worksAtLength = ({ phases, traits, dials }: Trains): boolean =>
  phases.includes('active end') ||
  traits.some((t) => t === 'loaded stretch' || t === 'loaded roll-down' || t === 'end range') ||
  (dials ?? []).some((d) => d.id === 'loadKg');

/** The lines an exercise brings under tension at their length, as they follow from what it trains; none where it stays in the middle. */
export function linesOf(e: Trains): Exercise['lines'] {
  if (!isStretching(e) && !worksAtLength(e)) return [];
  const found = e.moves.flatMap(({ motion, on }) => {
    const line = lineOf(motion);
    return line ? [[line, on] as const] : [];
  });
  return distinct(found).map(([line, on]) => ({ line, on }));
}

const distinct = <T extends readonly [string, string]>(pairs: readonly T[]): T[] => [
  ...new Map(pairs.map((p) => [p.join('/'), p])).values()
];

/** An exercise of the studio's own as it was kept, with everything that follows from what it trains: it may say more, never less. */
export function withBearing<E extends Exercise>(e: E): E {
  const union = <T>(a: readonly T[], b: readonly T[]): T[] => [
    ...new Map([...a, ...b].map((x) => [JSON.stringify(x), x])).values()
  ];
  const partner = e.props.some((p) => p.id === 'partner' && !p.optional);
  return {
    ...e,
    loads: union(e.loads, loadsOf(e)),
    lines: union(e.lines, linesOf(e)),
    traits: partner && !e.traits.includes('partner') ? [...e.traits, 'partner'] : e.traits
  };
}
