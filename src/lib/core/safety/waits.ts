import { sidesMeet } from '../body/body';
import { addDays } from '../days';
import { isThroughTheKnee } from '../exercise/bearing';
import type { DialId } from '../exercise/dial';
import type { Exercise } from '../exercise/exercise';
import type { LimitKind } from '../screen/limit';
import { limitConcerns, type GateAsk } from './ask';
import { deepens } from './ends';
import type { GateReason } from './reason';
import { waitDays } from './rules';

/** The day on which a dial may be made harder again, and why. An instructor may go past it with a written reason. */
export type DialWait = Readonly<{ opensOn: string; why: GateReason }>;
export type DialWaits = Readonly<Partial<Record<DialId, DialWait>>>;

/** Whether a step of an exercise is one of the knee: it folds or turns it. */
const isOfTheKnee = ({ moves, traits }: Exercise): boolean =>
  traits.includes('lotus') || traits.includes('heel-sit') || moves.some((m) => m.motion === 'KF' || m.motion === 'HE-KF');

/** Whether a limit on steps of the knee bears on an exercise: whatever turns or folds the knee. */
export const turnsTheKnee = (exercise: Exercise): boolean =>
  isOfTheKnee(exercise) || exercise.moves.some((m) => isThroughTheKnee(m.motion));

/** The waits that still run, by dial. */
export function waitsOf({ exercise, side, person, today }: GateAsk): DialWaits {
  const waits: Partial<Record<DialId, DialWait>> = {};
  const asked = (kind: LimitKind) =>
    Math.max(0, ...person.limits.filter((l) => l.kind === kind && limitConcerns(l, { exercise, side })).map((l) => l.value ?? 0));
  const kneeDays = Math.max(isOfTheKnee(exercise) ? waitDays.knee : 0, turnsTheKnee(exercise) ? asked('rung at least') : 0);
  const depthDays = Math.max(waitDays.depth, asked('deepening at most every'));
  for (const dial of exercise.dials.filter(deepens)) {
    if (kneeDays === 0 && dial.unit === 'level') continue;
    const days = Math.max(depthDays, kneeDays);
    const since = person.moves
      .filter((m) => m.exerciseId === exercise.id && m.dial === dial.id && sidesMeet(m.side, side))
      // A first setting is no deepening, but a step of the knee begins with it.
      .filter((m) => !m.first || kneeDays > 0)
      .map((m) => ({ on: m.on, opensOn: addDays(m.on, m.first ? kneeDays : days), days: m.first ? kneeDays : days }))
      .toSorted((a, b) => b.opensOn.localeCompare(a.opensOn))[0];
    if (!since || since.opensOn <= today) continue;
    waits[dial.id] = {
      opensOn: since.opensOn,
      why: {
        code: 'wait',
        days: since.days,
        since: since.on,
        opensOn: since.opensOn,
        rung: kneeDays >= depthDays ? 'knee' : 'depth'
      }
    };
  }
  return waits;
}
