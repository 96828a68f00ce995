import { CoreFault } from '../errors';
import { defaultEffortCapPct, defaultSensationCap } from '../cycle/compileCycle';
import type { MotionId } from '../body/motions';
import { addDays } from '../days';
import type { Side } from '../body/side';
import { beighton, type BeightonItem } from './beighton';
import type { Clearance, Limit } from './limit';
import { screeningRows, type ScreeningRow } from './screeningTable';

/** An end stop as set by the instructor, or as told by a clinician. */
export type EndStop = Readonly<{ motion: MotionId; side: Side | null; deg: number }>;

export type ScreeningAnswers = Readonly<{
  /** Ids of the rows that apply. */
  flags: readonly string[];
  /** Side of a row that asks for one; absent means both. */
  sides?: Readonly<Record<string, Side>>;
  endStops?: readonly EndStop[];
  beighton?: readonly BeightonItem[];
  /** Age; with the year of birth alone the younger reading, the cautious side for the young. */
  ageYears: number;
  /** The older reading, the cautious side for 60 and over. @default ageYears */
  oldestYears?: number;
  /** Caps the instructor sets; never above what a limit says. */
  effortCapPct?: number;
  sensationCap?: number;
}>;

export type Screening = Readonly<{
  clearance: Clearance;
  limits: readonly Limit[];
  cautions: readonly string[];
  raised: readonly ScreeningRow[];
  mobility: ReturnType<typeof beighton>;
}>;

/** Most an instructor may set for an adult without a limit; the usual cap is lower (`defaultEffortCapPct`). */
export const highestEffortCapPct = 80;
export const highestSensationCap = 6;

/** A screening is asked again after this many days (assumption: docs/sources.md#screening). */
export const screeningEveryDays = 182;

export const isScreeningDue = (takenOn: string, version: string, current: string, today: string): boolean =>
  version !== current || today > addDays(takenOn, screeningEveryDays);

/**
 * What answers allow: a clearance and limits as data.
 *
 * Model:  the most serious row decides; an urgent sign before a clinician-first one. A mobility score at the threshold with
 *         unstable or painful joints is clinician first; without, it brings limits. Ages set their own limits. Caps are the
 *         lower of what the instructor sets and what a limit says.
 * Throws: CoreFault 'flag_unknown'.
 * Source: docs/sources.md#screening (assumption; it defers to licensed practice and local rules)
 */
export function screen(answers: ScreeningAnswers): Screening {
  const raised = answers.flags.map((id) => {
    const row = screeningRows.find((r) => r.id === id);
    if (!row) throw new CoreFault('flag_unknown', { id });
    return row;
  });
  const oldestYears = answers.oldestYears ?? answers.ageYears;
  const mobility = beighton(answers.beighton ?? [], oldestYears);
  const unstable = answers.flags.includes('unstable_joints');
  const age = ageLimits(answers.ageYears, oldestYears);
  const fromRows = raised.flatMap((row) =>
    (row.limits ?? []).map((limit): Limit => {
      const side = row.asks === 'side' ? answers.sides?.[row.id] : undefined;
      return { ...limit, ...(side && { side }), from: `row/${row.id}` };
    })
  );
  const stops = (answers.endStops ?? []).map(({ motion, side, deg }): Limit => ({
    kind: 'joint end stop',
    motion,
    value: deg,
    ...(side && { side }),
    from: 'end stop'
  }));
  const limited = [...age.limits, ...fromRows, ...(mobility.meets ? hypermobileLimits : []), ...stops];
  const cautions = [
    ...age.cautions,
    ...raised.flatMap((r) => r.caution ?? []),
    ...(mobility.meets ? ['Very mobile: active and strength work first; set an end stop for each joint of the goal.'] : [])
  ];
  const clearance: Clearance = raised.some((r) => r.tier === 'urgent')
    ? 'urgent'
    : raised.some((r) => r.tier === 'clinician first') || (mobility.meets && unstable)
      ? 'clinician first'
      : limited.length > 0
        ? 'go with limits'
        : 'go';
  const limits: Limit[] = [
    ...limited,
    { kind: 'effort cap', value: answers.effortCapPct ?? defaultEffortCapPct, from: setByInstructor },
    { kind: 'sensation cap', value: answers.sensationCap ?? defaultSensationCap, from: setByInstructor }
  ];
  return { clearance, limits, cautions, raised, mobility };
}

/** Source of the caps that are not a limit of the answers. */
export const setByInstructor = 'instructor';

const hypermobileLimits: readonly Limit[] = [
  { kind: 'active work first', from: 'very mobile' },
  { kind: 'sensation cap', value: 3, from: 'very mobile' },
  { kind: 'no partner', from: 'very mobile' }
];

/** What an age brings: of a year of birth alone the young are taken as younger, those of 60 and over as older. */
export function ageLimits(youngestYears: number, oldestYears: number): { limits: Limit[]; cautions: string[] } {
  const young: Limit[] = [
    { kind: 'effort cap', value: 40, from: 'under 18' },
    { kind: 'no past-flat', from: 'under 18' },
    { kind: 'no partner', from: 'under 18' },
    { kind: 'no loaded stretch', from: 'under 18' },
    { kind: 'adult present', from: 'under 18' }
  ];
  const old: Limit[] = [
    { kind: 'effort cap', value: 50, from: '60 and over' },
    { kind: 'warm-up at least', value: 480, from: '60 and over' },
    { kind: 'no ballistic', from: '60 and over' },
    { kind: 'wide support only', from: '60 and over' }
  ];
  return {
    limits: [...(youngestYears < 18 ? young : []), ...(oldestYears >= 60 ? old : [])],
    cautions: [
      ...(youngestYears < 18
        ? [
            'An adult has to be present; consent and safeguarding go on record as local rules say. A growth spurt, or a heel, knee or sit-bone ache: ease and refer.'
          ]
        : []),
      ...(oldestYears >= 60 ? ['Balance support in standing work.'] : [])
    ]
  };
}

/** Whether planning and playing are open: an urgent or clinician-first result waits for a named person. */
export const isCleared = (clearance: Clearance, clearedBy: string | null): boolean =>
  clearance === 'go' || clearance === 'go with limits' || clearedBy !== null;
