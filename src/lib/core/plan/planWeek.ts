import { isTest, type LinkId } from '../exercise/exercise';
import { CoreError } from '../errors';
import type { LinearSolver } from '../linearProgram';
import { compileSession } from '../session/compileSession';
import type { Block } from '../session/block';
import { shortest } from '../session/fitToMinutes';
import { workSeconds } from '../session/reducedBlock';
import { doseByLink } from './doseByLink';
import { isHard } from './hardWork';
import { stretchMostOf } from '../safety/upperLimit';
import { blockOf, frameOf, isMainMovement, mostSets, heldBlock, type BlocksAsk, type WeekWork } from './sessionBlocks';
import type { Rungs } from '../recipe/fillRecipe';
import { isOfTheme, type SessionSlot } from './sessionSlot';
import { solveWeek, wholeSeconds, type Often, type SolvedWeek, type Way, type WeekItem, type WeekModel } from './weekProgram';

/** What is wished of the exercises of the week; session numbers count from 1, null is every session. */
export type WeekWishes = Readonly<{
  often: Readonly<Record<string, Often>>;
  pins: readonly WeekPlace[];
  bans: readonly WeekPlace[];
  /** Sessions with hard work in a week, at most; null: as many as recovery allows. */
  hardSessions: number | null;
  /** Minutes of stretch that one motion gets in a week at most; null: as usual. */
  stretchMin: number | null;
}>;
export type WeekPlace = Readonly<{ exerciseId: string; session: number | null }>;
export const noWishes: WeekWishes = { often: {}, pins: [], bans: [], hardSessions: null, stretchMin: null };

export type WeekAsk = Omit<BlocksAsk, 'amount' | 'light' | 'allotment'> &
  Readonly<{
    /** The sessions of the week, the earliest first. */
    slots: readonly SessionSlot[];
    /** The same exercises as they can be done at home, and what stands in there; those of the studio where nothing else is known. */
    homeWeek?: readonly WeekWork[];
    /** Rungs of one ladder that stand side by side in the week: a session takes one of them. */
    rungs?: readonly Rungs[];
    /** What a minute for a motion is worth against one for the motion that limits most; a motion that is not named is worth `others`. */
    priority: Readonly<Partial<Record<LinkId, number>>>;
    /** How much more active work of a motion is worth, where it trails what is reached. */
    activeWorth: Readonly<Partial<Record<LinkId, number>>>;
    demands: readonly LinkId[];
    wishes: WeekWishes;
  }>;

/** What a minute for a motion is worth that neither the goal nor Read names (assumption). */
export const othersWorth = 0.2;
/** What has worked for a person is favoured by so much (assumption). */
const worksFavour = 3;
/** The position itself and what is pressed and drawn are missed before any piece that leads to them (assumption). */
const mainFavour = 2;
const isMainLine = ({ place, exercise }: WeekWork, { part }: Block): boolean =>
  !isTest(exercise) && (part === 'position' || place?.section === 'press and draw');
/** A minute of effort or of active work counts so much of one under stretch (assumption: docs/sources.md#planning). */
export const effortWorth = 1.5;

/**
 * One week of a plan: which exercise in which session, with how many sets.
 *
 * Model:  every exercise of the week is built through the gate, as it stands, in each way it could be done: whole, without hard effort, and, where
 *         the minutes do not hold everything, short; where sessions are at home or given to stretch alone, as that can be done there. `solveWeek` chooses. The seconds are those of the compiled timeline.
 * Returns an allotment for each session, empty where nothing may be done in it, and how far they may be from the best week, as a share.
 * Throws: CoreError 'nothing_in_week', 'everything_locked', 'minutes_too_few' with the seconds the shortest session needs.
 */
export async function planWeek(ask: WeekAsk, solve: LinearSolver): Promise<SolvedWeek> {
  if (ask.week.length === 0) throw new CoreError('nothing_in_week');
  if (ask.slots.length === 0) return { sessions: [], gap: 0 };
  const { blocks: frame, backWarm } = frameOf(ask);
  const frameS = compileSession(frame).durationS;
  const built = [...ask.week, ...standInsOf(ask)].flatMap((work) => itemOf(work, ask, { frame, backWarm, frameS }));
  if (built.length === 0) throw new CoreError('everything_locked');
  const seconds = ask.minutes * 60 - frameS;
  // Cut short only where one whole set of everything does not fit: more sets are no reason to shorten any.
  const items = wholeSeconds(built.map((item) => ({ ...item, mostSets: 1 }))) <= seconds ? built.map(onlyWhole) : built;
  const usable = items.flatMap((item) => item.ways.filter((w) => (w.not?.length ?? 0) < ask.slots.length));
  const least = Math.min(...usable.map((w) => w.fixedS + w.setS));
  if (least < Infinity && least > seconds)
    throw new CoreError('minutes_too_few', { minutes: ask.minutes, neededS: frameS + least });
  const model: WeekModel = {
    items,
    sessions: ask.slots.map(({ day }) => ({ day, seconds })),
    priority: priorityOf(items, ask.priority),
    demands: ask.demands,
    hardSessions: ask.wishes.hardSessions,
    mostOf: (link) => stretchMostOf(ask.person, link, ask.wishes.stretchMin),
    rungs: ask.rungs
  };
  return solveWeek(model, solve);
}

const onlyWhole = (item: WeekItem): WeekItem => ({ ...item, ways: item.ways.filter((w) => !w.short) });

const priorityOf = (items: readonly WeekItem[], known: WeekAsk['priority']): WeekModel['priority'] => {
  const links = items.flatMap((item) => item.ways.flatMap((w) => Object.keys(w.doseMin) as LinkId[]));
  return Object.fromEntries([...new Set(links)].map((link) => [link, known[link] ?? othersWorth]));
};

type Frame = Readonly<{ frame: readonly Block[]; backWarm: boolean; frameS: number }>;

/** Sessions of one kind: the same place, and given to the same work. */
type SlotKind = Pick<SessionSlot, 'place' | 'only'>;

/** An exercise as the program takes it; none where the gate, the shelves or a missing figure leave nothing of it. */
function itemOf(work: WeekWork, ask: WeekAsk, frame: Frame): WeekItem[] {
  const { exercise } = work;
  if (work.effect === 'worse') return [];
  // A wish for an exercise holds for what stands in for it.
  const isMeant = ({ exerciseId }: WeekPlace) => exerciseId === exercise.id || exerciseId === work.standsFor;
  const places = (of: readonly WeekPlace[]) =>
    ask.slots.flatMap(({ number }, s) => (of.some((p) => isMeant(p) && (p.session === null || p.session === number)) ? [s] : []));
  const pinned = places(ask.wishes.pins);
  const often = ask.wishes.often[work.standsFor ?? exercise.id] ?? 'as it fits';
  const isWished = (s: number) => often === 'each session' || pinned.includes(s);
  const kinds: SlotKind[] = ask.slots.filter(
    (slot, i) => ask.slots.findIndex((o) => o.place === slot.place && o.only === slot.only) === i
  );
  const built = kinds.flatMap((kind) => {
    const there = workAt(work, ask, kind);
    const made = there && waysOf(there, ask, frame, kind);
    if (!made) return [];
    const ways = made.ways.map((way): Way => ({
      ...way,
      not: ask.slots.flatMap((slot, s) => {
        const fits =
          slot.place === kind.place &&
          slot.only === kind.only &&
          !(slot.training === 'before training' && way.hard.length > 0) &&
          !(slot.training === 'after training' && made.whole.part === 'own') &&
          (isOfTheme(exercise, slot.theme) || isWished(s));
        return fits ? [] : [s];
      })
    }));
    return [{ ...made, ways }];
  });
  // What belongs into none of these sessions is allotted nothing: left unnamed it would be done as usual.
  const nowhere = () => waysOf(work, ask, frame, { place: 'studio', only: null });
  const first = built[0] ?? nowhere();
  if (!first) return [];
  const { whole, extraS } = first;
  const ways = built.length > 0 ? built.flatMap((b) => b.ways) : first.ways.map((w) => ({ ...w, not: [...ask.slots.keys()] }));
  return [
    {
      exerciseId: exercise.id,
      ways: mergedWays(ways),
      mostSets: mostSets(work, ask),
      extraS,
      opens: whole.part === 'own' || isTest(exercise) ? [] : whole.links,
      owns: whole.part === 'own' ? whole.links : [],
      props: whole.props.length,
      often,
      pinned,
      banned: places(ask.wishes.bans),
      favour: (work.effect === 'works' ? worksFavour : 1) * (isMainLine(work, whole) ? mainFavour : 1)
    }
  ];
}

/** Done at home alone, in place of what cannot be done there. */
const standInsOf = ({ week, homeWeek = [] }: WeekAsk): WeekWork[] =>
  homeWeek.filter((work) => week.every((w) => w.exercise.id !== work.exercise.id));

/** The same exercise where a session takes place; null where it is done elsewhere alone. */
const workAt = (work: WeekWork, { homeWeek }: WeekAsk, { place }: SlotKind): WeekWork | null =>
  place === 'home'
    ? (homeWeek?.find((w) => w.exercise.id === work.exercise.id) ?? work)
    : work.standsFor === undefined
      ? work
      : null;

/** Every way of doing an exercise in one kind of session; null where it cannot be done in it. */
function waysOf(work: WeekWork, ask: WeekAsk, { frame, backWarm, frameS }: Frame, { only }: SlotKind) {
  const build = (sets: number, light: boolean, extra = false) => {
    const { block } = blockOf(work, { ...ask, backWarm }, { sets, light, extra });
    return block && only === 'stretch' ? heldBlock(block) : block;
  };
  const timeOf = (block: Block) =>
    compileSession([frame[0]!, block, ...(block.again ? [block] : []), ...frame.slice(1)], {
      order: 'as given',
      effortCapPct: 100
    }).durationS - frameS;
  const whole = build(1, false);
  if (!whole || !isGivenTo(whole, only)) return null;
  const wayOf = (light: boolean, short: boolean): Way[] => {
    const [one, two] = [build(1, light), build(2, light)].map((b) => b && (short ? shortest(b).block : b));
    if (!one || !two) return [];
    const [oneS, twoS] = [timeOf(one), timeOf(two)];
    return [
      {
        light,
        short,
        ...(only === 'stretch' && { stretch: true }),
        hard: isHard(one) ? one.links : [],
        fixedS: 2 * oneS - twoS,
        setS: twoS - oneS,
        doseMin: isMainMovement(work) ? movedMinOf(one) : doseMinOf(one, ask.activeWorth),
        stretchMin: stretchMinOf(one)
      }
    ];
  };
  // Lifts are hard however light they are.
  const lights = isHard(whole) && whole.part !== 'own' ? [false, true] : [false];
  const shorts = shortest(whole).cuts.length > 0 ? [false, true] : [false];
  const withExtra = ask.tighterSide === null || whole.part !== 'position' ? null : build(1, false, true);
  return {
    whole,
    ways: shorts.flatMap((short) => lights.flatMap((light) => wayOf(light, short))),
    extraS: withExtra && timeOf(withExtra) > timeOf(whole) ? timeOf(withExtra) - timeOf(whole) : null
  };
}

/** Whether a block belongs into a session that is given to one kind of work alone; loosening does into either. */
function isGivenTo(block: Block, only: SlotKind['only']): boolean {
  if (only === null || block.part === 'mobilise') return true;
  const isPressed = doseByLink([block]).some((d) => d.contractionS + d.activeS > 0);
  return isPressed === (only === 'own strength');
}

/** What takes the same in two kinds of session is one way; what can be done in every session has no `not`. */
function mergedWays(ways: readonly Way[]): Way[] {
  const merged = new Map<string, Way>();
  for (const { not = [], ...way } of ways) {
    const key = JSON.stringify(way);
    const same = merged.get(key)?.not;
    merged.set(key, { ...way, not: same ? same.filter((s) => not.includes(s)) : not });
  }
  return [...merged.values()].map(({ not, ...way }) => (not && not.length > 0 ? { ...way, not } : way));
}

/** Minutes one set keeps each motion under stretch, of the side that gets more. */
function stretchMinOf(block: Block): Way['stretchMin'] {
  const most = new Map<LinkId, number>();
  for (const { link, stretchS } of doseByLink([block]))
    if (stretchS > 0) most.set(link, Math.max(most.get(link) ?? 0, stretchS / 60));
  return Object.fromEntries(most);
}

/** A minute of the movement that is the work itself counts so much of one under stretch (assumption). */
const movedWorth = 0.5;
function movedMinOf({ links, ...block }: Block): Way['doseMin'] {
  const seconds = block.work.map((work) => workSeconds(block, { ...work, sets: 1 }));
  const min = (movedWorth * seconds.reduce((sum, s) => sum + s, 0)) / block.work.length / 60;
  return Object.fromEntries(links.map((link) => [link, min]));
}

/** Minutes one set is worth for each motion, the mean of both sides; active work counts more where it trails. */
function doseMinOf(block: Block, activeWorth: WeekAsk['activeWorth']): Way['doseMin'] {
  const doses = doseByLink([block]);
  return Object.fromEntries(
    [...new Set(doses.map((d) => d.link))].map((link) => {
      const seconds = doses
        .filter((d) => d.link === link)
        .reduce((sum, d) => sum + d.stretchS + effortWorth * (d.contractionS + d.activeS * (activeWorth[link] ?? 1)), 0);
      return [link, seconds / 2 / 60];
    })
  );
}
