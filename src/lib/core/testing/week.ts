import {
  exerciseOf,
  longHold,
  sides,
  type Rung,
  type School,
  type Setting,
  type Side,
  type SideState,
  type WeekWork
} from '../index';

export const splitWeekIds = [
  'front_split_on_stack',
  'front_hamstring_cycle',
  'rear_hip_cycle',
  'front_leg_lift',
  'rear_knee_lift'
] as const;

export type WeekAsk = Readonly<{
  ids?: readonly string[];
  school?: School;
  settings?: Readonly<Record<string, Readonly<Record<Side, Setting>>>>;
  /** Ladder of the split, and the gap that was measured of it, a side each. */
  rungs?: Readonly<Record<Side, readonly Rung[]>>;
  measuredCm?: Readonly<Partial<Record<Side, number>>>;
}>;

/** A week as the builder takes it; that of a front split unless told otherwise. */
export const weekFor = ({ ids = splitWeekIds, school = longHold, settings = {}, rungs, measuredCm = {} }: WeekAsk): WeekWork[] =>
  ids.map((id) => {
    const exercise = exerciseOf(id);
    const isSplit = id === 'front_split_on_stack';
    const stateOf = (side: Side): SideState => ({
      setting: settings[id]?.[side] ?? exercise.start,
      rungs: isSplit && rungs ? { depthCm: rungs[side] } : {},
      begins: {},
      measured: isSplit && measuredCm[side] !== undefined ? { depthCm: measuredCm[side] } : {}
    });
    return { exercise, school, isOwn: false, states: { left: stateOf(sides[0]), right: stateOf(sides[1]) } };
  });
