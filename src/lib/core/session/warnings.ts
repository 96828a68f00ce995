import { totals } from '../cycle/totals';
import type { LinkId, SessionPart } from '../exercise/exercise';
import type { Training } from './arrange';
import { otherSide, sides, type Side } from '../body/side';
import { comesBefore } from './precedence';
import { compileForm, isLookedAt, isWorked, servesSide, workOfSet, type Block, type Work } from './block';

/** What is not as it usually is, so that it is a choice: told with the mend that is offered. */
export type ArrangementWarning =
  | Readonly<{ code: 'opened, not owned'; link: LinkId; exerciseId: string; side: Side | null }>
  | Readonly<{ code: 'second side less'; exerciseId: string; side: Side; lessS: number; sets: number }>
  | Readonly<{ code: 'hard again'; link: LinkId; exerciseId: string }>
  | Readonly<{ code: 'position early'; exerciseId: string }>
  | Readonly<{ code: 'out of order'; exerciseId: string; after: string }>
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

/** Seconds in which a set of it works: under stretch, in contraction, in movement; not at rest. */
const workedS = ({ form }: Pick<Work, 'form'>): number =>
  compileForm(form, { effortCapPct: 100 }).reduce((sum, p) => (p.kind === 'rest' ? sum : sum + p.endS - p.startS), 0);

/**
 * Exercises of which the side that comes second gets less than the first by a whole set or more. The extra set of a side that is behind
 * is meant. Source: both sides get the same dose (common practice).
 */
function secondSideLess(arranged: readonly Block[], week: readonly Block[]): ArrangementWarning[] {
  const ids = [...new Set(arranged.filter(isWorked).map((b) => b.exerciseId))];
  return ids.flatMap((exerciseId): ArrangementWarning[] => {
    const own = arranged.filter((b) => b.exerciseId === exerciseId);
    const gotS = (side: Side) =>
      own.reduce((sum, b) => {
        const work = b.work.filter((w) => w.side === side);
        const sets = work.flatMap((w) => Array.from({ length: Math.min(w.sets, b.baseSets) }, (_, i) => workOfSet(b, w, i + 1)));
        return sets.reduce((all, w) => all + workedS(w), sum);
      }, 0);
    const first = own[0]!.work[0]!.side;
    // What both sides do together, and what is barred on one of them, has no second side.
    if (first === null) return [];
    const second = otherSide(first);
    const usual = week.find((b) => b.exerciseId === exerciseId)?.work.find((w) => w.side === second);
    if (!usual) return [];
    const lessS = Math.round(gotS(first) - gotS(second));
    const sets = Math.floor(lessS / workedS(usual) + 1e-6);
    return sets >= 1 ? [{ code: 'second side less', exerciseId, side: second, lessS, sets }] : [];
  });
}

/**
 * What a session as arranged does against common practice.
 *
 * Model:  a motion that is opened and has no active work after it on that side, where the week has some for it; active work for a motion
 *         that was worked hard the day before; a position before anything that opens it; one of a row before what leads to it; a second side that gets less; a minute and more
 *         under stretch right before other training, and active work right after it.
 * Source: common practice, and a review for the minute (docs/sources.md#planning).
 */
export function warningsOf(
  arranged: readonly Block[],
  week: readonly Block[],
  hardYesterday: readonly LinkId[],
  training: Training = 'alone'
): ArrangementWarning[] {
  const at = (part: SessionPart, link: LinkId, side: Side) =>
    arranged.findLastIndex((b) => b.part === part && servesSide(b, link, side));
  // Active work that comes first for a person's safety need not follow.
  const isActiveFirst = arranged.some((b) => b.isFirst);
  const opened = [...new Set(arranged.filter((b) => b.part === 'open').flatMap((b) => b.links))];
  const unowned = opened.flatMap((link): ArrangementWarning[] => {
    const owned = (side: Side) => week.find((b) => b.part === 'own' && servesSide(b, link, side));
    const missed = sides.filter((side) => owned(side) && at('own', link, side) < (isActiveFirst ? 0 : at('open', link, side)));
    if (missed.length === 0) return [];
    const [side] = missed;
    return [{ code: 'opened, not owned', link, exerciseId: owned(side!)!.exerciseId, side: missed.length === 1 ? side! : null }];
  });
  const again = arranged
    .filter((b) => b.part === 'own')
    .flatMap((b): ArrangementWarning[] => {
      const link = b.links.find((l) => hardYesterday.includes(l));
      return link ? [{ code: 'hard again', link, exerciseId: b.exerciseId }] : [];
    });
  const firstOpen = arranged.findIndex((b) => b.part === 'open');
  const early = arranged.flatMap((b, i): ArrangementWarning[] =>
    b.part === 'position' && !isLookedAt(b) && i < firstOpen ? [{ code: 'position early', exerciseId: b.exerciseId }] : []
  );
  // Active work that comes first for a person's safety is where it should be.
  const ids = [...new Set(arranged.filter((b) => isWorked(b) && !b.isFirst).map((b) => b.exerciseId))];
  const disordered = ids.flatMap((exerciseId, i): ArrangementWarning[] => {
    const after = ids.findLast((other, j) => j > i && comesBefore(other, exerciseId));
    const isTold = early.some((w) => w.exerciseId === exerciseId);
    return after && !isTold ? [{ code: 'out of order', exerciseId, after }] : [];
  });
  // One warning for an exercise is enough.
  return [
    ...new Map([...unowned, ...again, ...early, ...disordered].map((w) => [`${w.code}/${w.exerciseId}`, w])).values(),
    ...secondSideLess(arranged, week),
    ...besideTraining(arranged, training)
  ];
}
