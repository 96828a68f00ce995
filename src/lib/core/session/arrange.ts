import { CoreError, requireRange } from '../errors';
import type { Side } from '../body/side';
import { byItself, easedBlock, isWorked, type Block, type Form } from './block';
import { compileSession, usualRestS, usualSetupS, type SessionOptions, type SideOrder } from './compileSession';
import { fitToMinutes, cutKinds, type CutKind } from './fitToMinutes';

/** One exercise of a session, in its place; sets only where they differ from what the plan gives. */
export type ArrangedPart = Readonly<{
  exerciseId: string;
  sets?: number;
  /** This side alone, where it is done side by side; both where absent. */
  side?: Side;
  /** In turn with the part before it, without rest. */
  joins?: true;
  /** Longer with each set, where it is counted in breaths. */
  grows?: true;
  /** One step easier than it is set, where there is one: a first visit before the deeper one. */
  eased?: true;
}>;

/** What is worked on a day: stretch alone, effort alone, or both. */
export const dayWorks = ['both', 'stretch only', 'effort only'] as const;
export type DayWork = (typeof dayWorks)[number];

/** Whether other training comes right before it or right after it. */
export const trainings = ['alone', 'before training', 'after training'] as const;
export type Training = (typeof trainings)[number];

/** How an instructor arranged a session by hand. The warm-up stays first and the settle last. */
export type Arrangement = Readonly<{
  parts: readonly ArrangedPart[];
  /** Exercises of the week that are not done in it; what came into the week since is done at the end. */
  out: readonly string[];
  sides: SideOrder;
  setupS: number;
  restS: number;
  work: DayWork;
  /** @default 'alone' */
  training?: Training;
  minutes: number;
  /** Whether it is cut to the minutes. */
  fits: boolean;
  cutOrder: readonly CutKind[];
}>;

/** As the plan gives it. */
export const usualArrangement = (blocks: readonly Block[], minutes: number): Arrangement => ({
  parts: [
    ...blocks.filter(isWorked).map(({ exerciseId, joins }) => ({ exerciseId, ...(joins && { joins }) })),
    ...blocks.filter((b) => b.again).map(({ exerciseId }) => ({ exerciseId }))
  ],
  out: [],
  sides: 'one side first',
  setupS: usualSetupS,
  restS: usualRestS,
  work: 'both',
  minutes,
  fits: true,
  cutOrder: cutKinds
});

export const optionsOf = ({ sides, setupS, restS }: Arrangement): SessionOptions => ({ sides, setupS, restS, order: 'as given' });

const mostSets = 20;

/**
 * The blocks of a session as they were arranged, uncut.
 *
 * Model:  parts in their order, an exercise as often as it stands in them; what came into the week since is done before the settle. A block
 *         that is given other sets gets them on every side, its extra set with them. Only what the builder made can stand in it, so that
 *         what the gate bars cannot come back by hand.
 * Throws: CoreError 'out_of_range'.
 */
export function arrange(blocks: readonly Block[], arrangement: Arrangement): Block[] {
  const { parts, out, work, setupS, restS } = arrangement;
  for (const s of [setupS, restS]) requireRange('duration', s, 0, 600);
  const movable = blocks.filter(isWorked);
  const blockAt = ({ exerciseId, side, eased }: ArrangedPart) => {
    const block = out.includes(exerciseId) ? undefined : movable.find((b) => b.exerciseId === exerciseId);
    const one = block && onSide(block, side);
    return one && byItself(eased ? easedBlock(one) : one);
  };
  const placed = parts.flatMap((part, i) => {
    const block = blockAt(part);
    if (!block) return [];
    // Nobody takes turns with what is not there, nor with themselves.
    const before = i > 0 ? blockAt(parts[i - 1]!) : undefined;
    const inTurn = part.joins && before && before.exerciseId !== part.exerciseId;
    // Each a block of its own, so that of two visits one can be cut.
    return [
      {
        ...(part.sets === undefined ? block : withSets(block, part.sets)),
        ...(inTurn && { joins: part.joins }),
        ...(part.grows && { grows: part.grows })
      }
    ];
  });
  const since = movable.filter((b) => !out.includes(b.exerciseId) && !parts.some((p) => p.exerciseId === b.exerciseId));
  const fixed = blocks.filter((b) => !isWorked(b));
  const isSettle = (b: Block) => b.part === 'settle';
  const all = [...placed, ...since];
  const ofThisDay = all.map((b) => ofDay(b, work));
  const worked = ofThisDay.flatMap((made, i) => (ofThisDay[i - 1]?.length === 0 ? made.map(byItself) : made));
  return [...fixed.filter((b) => !isSettle(b)), ...worked, ...fixed.filter(isSettle)];
}

/** More of it nobody plays, nor writes down (assumption). */
const longestSession = { sets: 200, minutes: 600 } as const;

/**
 * A session as it is arranged, cut to its minutes where that is wished.
 *
 * Throws: those of `arrange`, CoreError 'minutes_too_few', 'session_too_long' for more than 200 sets or ten hours.
 */
export function arrangedSession(blocks: readonly Block[], arrangement: Arrangement, effortCapPct: number) {
  const placed = arrange(blocks, arrangement);
  const options = optionsOf(arrangement);
  const fitted =
    arrangement.fits && placed.some(isWorked)
      ? fitToMinutes({ blocks: placed, effortCapPct, ...options }, arrangement.minutes, arrangement.cutOrder)
      : { blocks: placed, durationS: compileSession(placed, { effortCapPct, ...options }).durationS, cuts: [] };
  const sets = fitted.blocks.flatMap((b) => b.work).reduce((sum, w) => sum + w.sets, 0);
  const minutes = Math.ceil(fitted.durationS / 60);
  if (sets > longestSession.sets || minutes > longestSession.minutes) throw new CoreError('session_too_long', { sets, minutes });
  return { ...fitted, options };
}

/** What of a block is done on a side; what both do together is done whole, and what is not done on that side not at all. */
function onSide(block: Block, side: Side | undefined): Block | undefined {
  if (side === undefined) return block;
  const work = block.work.filter((w) => w.side === null || w.side === side);
  return work.length > 0 ? { ...block, work } : undefined;
}

function withSets(block: Block, sets: number): Block {
  requireRange('sets', sets, 1, mostSets);
  const more = sets - block.baseSets;
  return { ...block, baseSets: sets, work: block.work.map((w) => ({ ...w, sets: Math.max(1, w.sets + more) })) };
}

/** A block on a day of stretch or of effort alone; none where nothing of it is left. */
function ofDay(block: Block, day: DayWork): Block[] {
  if (day === 'both') return [block];
  const work = block.work.flatMap((w) => {
    const form = formOfDay(w.form, day);
    return form ? [{ ...w, form, easier: undefined }] : [];
  });
  return work.length > 0 ? [{ ...block, work }] : [];
}

function formOfDay(form: Form, day: Exclude<DayWork, 'both'>): Form | null {
  switch (form.kind) {
    case 'cycle': {
      const { spec } = form;
      if (day === 'effort only') return { kind: 'cycle', spec: { ...spec, holdS: 0, finalSettleS: 0 } };
      // The longer of its two holds, not their sum: each by itself is inside what the gate allows at one go.
      return { kind: 'hold', spec: { holdS: Math.max(1, spec.holdS, spec.finalSettleS), ...spec.hold } };
    }
    case 'reps':
      return day === 'effort only' ? form : null;
    case 'breaths':
      if (day === 'effort only') return form.spec.effortPct > 0 ? form : null;
      return { kind: 'breaths', spec: { ...form.spec, effortPct: 0 } };
    default:
      return day === 'stretch only' ? form : null;
  }
}
