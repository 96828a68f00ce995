import { totals } from '../cycle/totals';
import type { LinkId, SessionPart } from '../exercise/exercise';
import type { Training } from './arrange';
import { compileForm, isWorked, type Block } from './block';

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
