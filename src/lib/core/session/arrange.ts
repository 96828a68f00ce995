import { CoreError, requireRange } from '../errors';
import { totals } from '../cycle/totals';
import type { LinkId, SessionPart } from '../exercise/exercise';
import { byItself, compileForm, isWorked, type Block, type Form } from './block';
import { compileSession, usualRestS, usualSetupS, type SessionOptions } from './compileSession';
import { fitToMinutes, cutKinds, type CutKind } from './fitToMinutes';

/** One exercise of a session, in its place; sets only where they differ from what the plan gives. */
export type ArrangedPart = Readonly<{
  exerciseId: string;
  sets?: number;
  /** In turn with the part before it, without rest. */
  joins?: true;
  /** Longer with each set, where it is counted in breaths. */
  grows?: true;
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
  sides: 'one side first' | 'alternate';
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
  parts: blocks.filter(isWorked).map(({ exerciseId }) => ({ exerciseId })),
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
 * Throws: CoreError 'sets_out_of_range', 'duration_out_of_range'.
 */
export function arrange(blocks: readonly Block[], arrangement: Arrangement): Block[] {
  const { parts, out, work, setupS, restS } = arrangement;
  for (const s of [setupS, restS]) requireRange('duration', s, 0, 600);
  const movable = blocks.filter(isWorked);
  const blockAt = ({ exerciseId }: ArrangedPart) =>
    out.includes(exerciseId) ? undefined : movable.find((b) => b.exerciseId === exerciseId);
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
      return { kind: 'hold', spec: { holdS: Math.max(1, spec.holdS, spec.finalSettleS) } };
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

/** What is not as it usually is, so that it is a choice: told with the mend that is offered. */
export type ArrangementWarning =
  | Readonly<{ code: 'opened, not owned'; link: LinkId; exerciseId: string }>
  | Readonly<{ code: 'hard again'; link: LinkId; exerciseId: string }>
  | Readonly<{ code: 'position early'; exerciseId: string }>
  | Readonly<{ code: 'long before training'; exerciseId: string; stretchS: number; all: readonly string[] }>
  | Readonly<{ code: 'work after training'; exerciseId: string }>;

/** From so long under stretch on a muscle is clearly weaker right afterwards: 4.6 % against 1.1 % (Behm et al. 2016). Seconds a side. */
const longBeforeS = 60;

/** What does not go well with the training that stands beside it: each told once, at the block that does it most. */
function besideTraining(arranged: readonly Block[], training: Training): ArrangementWarning[] {
  if (training === 'after training') {
    const own = arranged.find((b) => b.part === 'own');
    return own ? [{ code: 'work after training', exerciseId: own.exerciseId }] : [];
  }
  if (training !== 'before training') return [];
  const long = arranged
    .filter(isWorked)
    .map(({ exerciseId, work }) => {
      const sides = work.map((w) => w.sets * totals(compileForm(w.form, { effortCapPct: 100 })).stretchS);
      return { exerciseId, stretchS: Math.round(Math.max(...sides)) };
    })
    .filter((s) => s.stretchS >= longBeforeS)
    .toSorted((one, other) => other.stretchS - one.stretchS);
  return long[0] ? [{ code: 'long before training', ...long[0], all: long.map((s) => s.exerciseId) }] : [];
}

/**
 * What a session as arranged does against common practice.
 *
 * Model:  a motion that is opened and has no active work after it, where the week has some for it; active work for a motion that was
 *         worked hard the day before; a position before anything that opens it; a minute and more under stretch right before other training,
 *         and active work right after it. Source: common practice, and a review for the minute (docs/sources.md#planning).
 */
export function warningsOf(
  arranged: readonly Block[],
  week: readonly Block[],
  hardYesterday: readonly LinkId[],
  training: Training = 'alone'
): ArrangementWarning[] {
  const at = (part: SessionPart, link: LinkId, list: readonly Block[]) =>
    list.findLastIndex((b) => b.part === part && b.links.includes(link));
  const opened = [...new Set(arranged.filter((b) => b.part === 'open').flatMap((b) => b.links))];
  const unowned = opened.flatMap((link): ArrangementWarning[] => {
    const own = week.find((b) => b.part === 'own' && b.links.includes(link));
    return own && at('own', link, arranged) < at('open', link, arranged)
      ? [{ code: 'opened, not owned', link, exerciseId: own.exerciseId }]
      : [];
  });
  const again = arranged
    .filter((b) => b.part === 'own')
    .flatMap((b): ArrangementWarning[] => {
      const link = b.links.find((l) => hardYesterday.includes(l));
      return link ? [{ code: 'hard again', link, exerciseId: b.exerciseId }] : [];
    });
  const firstOpen = arranged.findIndex((b) => b.part === 'open');
  const early = arranged.flatMap((b, i): ArrangementWarning[] =>
    b.part === 'position' && i < firstOpen ? [{ code: 'position early', exerciseId: b.exerciseId }] : []
  );
  // One warning for an exercise is enough.
  return [
    ...new Map([...unowned, ...again, ...early].map((w) => [`${w.code}/${w.exerciseId}`, w])).values(),
    ...besideTraining(arranged, training)
  ];
}

/** An order of a session that is used again and again. Common practice; which exercise stands where follows from its part. */
export type SessionTemplate = Readonly<{
  id: string;
  name: string;
  words: string;
  of: (usual: Arrangement, blocks: readonly Block[]) => Arrangement;
}>;

const inOrder =
  (...order: readonly SessionPart[]) =>
  (usual: Arrangement, blocks: readonly Block[]): Arrangement => ({
    ...usual,
    parts: order.flatMap((part) => blocks.filter((b) => isWorked(b) && b.part === part).map(({ exerciseId }) => ({ exerciseId })))
  });
const openThenOwn = inOrder('warm-up', 'mobilise', 'open', 'own', 'position', 'settle');

export const sessionTemplates: readonly SessionTemplate[] = [
  {
    id: 'open then own',
    name: 'Open, then own',
    words: 'Stretch first, then active work in the new range, then the position.',
    of: openThenOwn
  },
  {
    id: 'active first',
    name: 'Active first',
    words: 'Active work while fresh, then stretch, then the position.',
    of: inOrder('warm-up', 'mobilise', 'own', 'open', 'position', 'settle')
  },
  {
    id: 'thirds',
    name: 'Thirds',
    words: 'Early movement and stretch, the position in the middle, active work late.',
    of: inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')
  },
  {
    id: 'two visits',
    name: 'Two visits',
    words: 'The position once after the stretches and once at the end, the second time deeper.',
    of: (usual, blocks) => {
      const once = inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')(usual, blocks);
      const again = blocks.filter((b) => b.part === 'position').map(({ exerciseId }) => ({ exerciseId, sets: 1 }));
      return { ...once, parts: [...once.parts, ...again] };
    }
  },
  {
    id: 'side by side',
    name: 'Side by side',
    words: 'Left and right in turn, set by set, so that they can be compared.',
    of: (usual, blocks) => ({ ...openThenOwn(usual, blocks), sides: 'alternate', restS: 10 })
  },
  {
    id: 'passes',
    name: 'In passes',
    words:
      'The stretches in turn without rest, one after the other and round again, those counted in breaths longer each time, then active work and the position.',
    of: (usual, blocks) => {
      const { parts, ...rest } = openThenOwn(usual, blocks);
      const opens = new Set(blocks.filter((b) => b.part === 'open').map((b) => b.exerciseId));
      const inTurn = (p: ArrangedPart, i: number) => opens.has(p.exerciseId) && i > 0 && opens.has(parts[i - 1]!.exerciseId);
      return {
        ...rest,
        parts: parts.map((p, i) =>
          opens.has(p.exerciseId) ? { ...p, sets: 2, grows: true as const, ...(inTurn(p, i) && { joins: true as const }) } : p
        )
      };
    }
  },
  {
    id: 'ten minutes',
    name: 'Daily ten minutes',
    words: 'Whatever is missed most, cut to ten minutes with the warm-up.',
    of: (usual, blocks) => ({ ...openThenOwn(usual, blocks), minutes: 10, fits: true })
  }
];
