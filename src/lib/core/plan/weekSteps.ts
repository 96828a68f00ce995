import { motionOf } from '../body/motions';
import { exerciseOf } from '../exercise/exercises';
import type { LinkId, SessionPart } from '../exercise/exercise';
import { isWorked, type Block, type Form } from '../session/block';
import { workSeconds } from '../session/reducedBlock';
import type { Allotment } from './allotment';
import type { PlanPhase } from './phases';
import { count, movedSets, planChangeText, type FindName } from './planChange';

/** One week of a plan, as far as it is told from another. */
export type WeekOutline = Readonly<{
  week: number;
  phase: PlanPhase;
  easy: boolean;
  /** How much of the usual work it holds, of 1. */
  share: number;
  /** A session that is over has no blocks at hand. */
  sessions: readonly Readonly<{ allotment: Allotment; blocks: readonly Block[]; theme: LinkId | null }>[];
}>;

/** So many exercises are named; the others are counted. */
const namedMost = 4;
/** Less of a difference in the work of a week is none (assumption). */
const leastChange = 0.05;

/**
 * Whole sentences for how a week differs from those before it, read off the weeks themselves. Where nothing differs that is said, with why.
 *
 * Model:  an easy week is held against the one before it, any other against the last that was not easy: seconds of work, then the sets and figures of
 *         every exercise, the greatest change first. Where a week is over and its blocks are not at hand, the sets that were allotted.
 */
export function weekStepTexts(earlier: readonly WeekOutline[], after: WeekOutline, find: FindName = exerciseOf): string[] {
  const firstText = after.share < 1 && !after.easy ? [firstWeekText(after.share)] : [];
  const before = earlier.at(-1);
  // Of a joined plan the week before may have been another plan's: nothing is told from it.
  if (!before || before.sessions.length === 0 || after.sessions.length === 0) return firstText;
  if (after.easy) return [easyText(before, after)];
  const usual = earlier.findLast((w) => !w.easy && w.sessions.length > 0) ?? before;
  const texts = [
    ...firstText,
    ...(usual.phase !== after.phase ? [phaseTexts[after.phase]] : []),
    ...(before.easy ? ['Back to the full work after the easy week.'] : []),
    ...(usual.sessions.length !== after.sessions.length
      ? [`${count(after.sessions.length, 'session')} in place of ${usual.sessions.length}.`]
      : [])
  ];
  const themes = after.sessions.flatMap((s) => (s.theme ? [motionOf(s.theme).name] : []));
  // Whose turn it is moves every set: the themes say it shorter.
  if (themes.length > 0) return [...texts, `The themes of the week: ${themes.join(', ')}.`];
  const moved = [...minutesText(usual, after), ...exerciseTexts(usual, after, find)];
  if (texts.length + moved.length > 0) return [...texts, ...moved];
  return [`Same as week ${usual.week}. Nothing changes by date; settings go up once sessions are logged clean.`];
}

const firstWeekText = (share: number): string =>
  `First week: ${Math.round(share * 100)} % of the usual work, which leaves time to show each exercise.`;

function easyText(before: WeekOutline, after: WeekOutline): string {
  const settings = 'at the same settings';
  if (before.easy || !isKnown(before) || !isKnown(after)) return `Easy week: less of each exercise, ${settings}.`;
  const pct = Math.round((100 * workS(after)) / workS(before));
  return `Easy week: ${pct} % of the work of week ${before.week}, ${settings}.`;
}

const phaseTexts: Readonly<Record<PlanPhase, string>> = {
  'settle in': 'The weeks of settling in begin.',
  open: 'The weeks of opening begin.',
  own: 'The weeks of own strength begin.',
  arrive: 'The weeks of arriving in the position begin.'
};

const blocksIn = ({ sessions }: WeekOutline): Block[] => sessions.flatMap((s) => s.blocks).filter(isWorked);
const isKnown = (week: WeekOutline): boolean => week.sessions.every((s) => s.blocks.length > 0);

const secondsOf = (blocks: readonly Block[]): number =>
  blocks.reduce((sum, block) => sum + block.work.reduce((all, work) => all + workSeconds(block, work), 0), 0);
const workS = (week: WeekOutline, part?: SessionPart): number =>
  secondsOf(blocksIn(week).filter((b) => part === undefined || b.part === part));

const partNames: readonly (readonly [SessionPart, string])[] = [
  ['mobilise', 'movement'],
  ['open', 'opening'],
  ['own', 'active work'],
  ['position', 'the position']
];

/** How much longer or shorter the work of the week is, and where. */
function minutesText(before: WeekOutline, after: WeekOutline): string[] {
  if (!isKnown(before) || !isKnown(after)) return [];
  const [from, to] = [workS(before), workS(after)];
  if (Math.abs(to - from) < leastChange * from) return [];
  const parts = partNames.flatMap(([part, name]) => {
    const more = Math.round((workS(after, part) - workS(before, part)) / 60);
    return more === 0 ? [] : [`${name} ${more > 0 ? '+' : '−'}${Math.abs(more)}`];
  });
  const where = parts.length > 0 ? `: ${parts.join(', ')}` : '';
  return [`${minutes(to)} min of work in place of ${minutes(from)}${where}.`];
}

/** Sets and figures that moved, exercise by exercise. */
function exerciseTexts(before: WeekOutline, after: WeekOutline, find: FindName): string[] {
  if (!isKnown(before) || !isKnown(after)) return movedSets(setsIn(before), setsIn(after)).map((m) => planChangeText(m, find));
  const [was, is] = [blocksIn(before), blocksIn(after)];
  const ids = [...new Set([...is, ...was].map((b) => b.exerciseId))];
  const blocksOf = (blocks: readonly Block[], id: string) => blocks.filter((b) => b.exerciseId === id);
  const moved = ids.flatMap((id) => {
    const [from, to] = [blocksOf(was, id), blocksOf(is, id)];
    const { name } = find(id);
    const byS = Math.abs(secondsOf(to) - secondsOf(from));
    if (from.length === 0) return [{ text: `New: ${name}.`, byS }];
    if (to.length === 0) return [{ text: `Out: ${name}.`, byS }];
    const changes = figureTexts(from, to);
    return changes.length > 0 ? [{ text: `${name}: ${changes.join(', ')}.`, byS }] : [];
  });
  const texts = moved.toSorted((a, b) => b.byS - a.byS).map((m) => m.text);
  const more = texts.length - namedMost;
  return more > 1 ? [...texts.slice(0, namedMost), `And ${more} more exercises.`] : texts;
}

/** Sets of each session: as it holds them where its blocks are known, else as they were allotted. */
const setsIn = (week: WeekOutline): Allotment[] =>
  week.sessions.map(({ blocks, allotment }) =>
    blocks.length === 0
      ? allotment
      : blocks.filter(isWorked).map((b) => ({ exerciseId: b.exerciseId, sets: Math.max(...b.work.map((w) => w.sets)) }))
  );

/** Figures of one exercise that differ between two weeks. */
function figureTexts(from: readonly Block[], to: readonly Block[]): string[] {
  const setsOf = (blocks: readonly Block[]) => blocks.reduce((sum, b) => sum + Math.max(...b.work.map((w) => w.sets)), 0);
  const figures = (blocks: readonly Block[]) => [
    { sets: setsOf(blocks), one: 'set a week', many: 'sets a week' },
    ...countsOf(blocks[0]!.work[0]!.form).map(({ n, ...words }) => ({ sets: n, ...words }))
  ];
  const before = figures(from);
  return figures(to).flatMap(({ sets: n, one, many }) => {
    const was = before.find((f) => f.many === many)?.sets;
    return was === undefined || was === n ? [] : [`${n} ${n === 1 ? one : many} in place of ${was}`];
  });
}

type Count = Readonly<{ n: number; one: string; many: string }>;
const seconds = (n: number): Count => ({ n: Math.round(n), one: 'second held', many: 'seconds held' });

/** Counts of a form, as they are said. */
function countsOf(form: Form): Count[] {
  switch (form.kind) {
    case 'cycle':
      return [{ n: form.spec.rounds, one: 'round', many: 'rounds' }, seconds(form.spec.holdS)];
    case 'hold':
      return [seconds(form.spec.holdS)];
    case 'breaths':
      return [{ n: form.spec.breaths, one: 'breath', many: 'breaths' }];
    case 'pulses':
      return [
        { n: form.spec.sets, one: 'round', many: 'rounds' },
        { n: form.spec.pulses, one: 'repetition', many: 'repetitions' },
        seconds(form.spec.holdS)
      ];
    case 'reps':
      return [{ n: form.spec.reps, one: 'repetition', many: 'repetitions' }, seconds(form.spec.holdS)];
    case 'flow':
      return [];
  }
}

const minutes = (s: number): number => Math.round(s / 60);
