import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { v5 as uuidFrom } from 'uuid';
import { compute } from '$lib/contract/door';
import { addDays, exercisesIn, isWorked, motionOf } from '$lib/core';
import { sessionTime } from '$lib/contract/planForms';
import type { SessionView } from '$lib/contract/plan';
import type { Db } from '../db/db';
import { listSupersededDays } from '../repo/sessionRepo';
import { getStudioKey } from '../repo/studioRepo';
import { isOpenForWork } from './checking';
import { isPlanned, type GoalCase } from './clientCase';
import { planView } from './composing';

/** At what time of the day sessions begin, as it is on the wall there; null: they stand for the day. */
export type SessionTime = Readonly<{ hours: number; minutes: number }> | null;

/**
 * The sessions to come of the goal in work as an iCalendar file that a calendar keeps up with: a session is told apart by goal and day, so
 * that a new version of the plan changes it in place, and calls off the days it does not use any more. Where nothing may be trained, or
 * all of it is stopped, every session is called off.
 *
 * Source: RFC 5545, RFC 7986 (docs/sources.md#calendar)
 */
export async function calendarOf(db: Db, c: GoalCase, now: Date, usual: SessionTime): Promise<string> {
  const { plan } = c;
  const key = await getStudioKey(db);
  const calendar = ical({
    name: `${c.client.name}: ${c.goal.name}`,
    prodId: { company: 'Calm Reach', product: 'Plan', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH
  });
  const isOpen = isOpenForWork(c);
  const view = isPlanned(c) && isOpen ? compute(() => planView(c)) : null;
  const composed = new Map(view?.ok ? view.value.flatMap((w) => w.sessions.map((s) => [s.id, s] as const)) : []);
  const minutes = plan?.minutes ?? 0;
  const event = (on: string, isCalledOff: boolean, summary: string, description: string, own: string | null = null) => {
    const time = own === null ? usual : sessionTime.parse(own);
    // A floating time and a whole day are written as UTC reads them, wherever the server's clock runs.
    const start = new Date(`${on}T${time ? clock(time) : '00:00:00'}Z`);
    calendar.createEvent({
      id: uuidFrom(`${c.goal.id}/${on}`, key),
      sequence: plan?.version ?? 0,
      stamp: now,
      start,
      // The end of a whole day is the next one.
      end: time ? new Date(start.getTime() + minutes * 60_000) : new Date(`${addDays(on, 1)}T00:00:00Z`),
      allDay: time === null,
      floating: time !== null,
      summary,
      description,
      status: isCalledOff ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED
    });
  };

  const ahead = c.sessions.filter((s) => s.status === 'planned' && s.planId === plan?.id && s.plannedOn >= c.today);
  for (const s of ahead) {
    const name = `${c.client.name}: ${c.goal.name.toLowerCase()}, week ${s.week}, session ${s.ordinal}`;
    // What cannot be composed, since all of it is stopped, is not trained.
    const session = composed.get(s.id);
    event(s.plannedOn, !session, name, session ? described(session, minutes, s.retest) : '', s.beginsAt);
  }
  const used = new Set(ahead.map((s) => s.plannedOn));
  for (const on of await listSupersededDays(db, c.goal.id, c.today))
    if (!used.has(on)) event(on, true, `${c.client.name}: ${c.goal.name.toLowerCase()}`, '');
  return calendar.toString();
}

const clock = ({ hours, minutes }: NonNullable<SessionTime>): string =>
  `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}:00`;

/** What a session holds, by the names of its exercises, and what to mind. */
function described(
  { blocks, place, theme }: Pick<SessionView, 'blocks' | 'place' | 'theme'>,
  minutes: number,
  isRetest: boolean
): string {
  const find = exercisesIn(blocks);
  const names = [...new Set(blocks.filter(isWorked).map((b) => find(b.exerciseId).name))];
  return [
    `${minutes} minutes${names.length > 0 ? `: ${names.join(', ')}` : ''}.`,
    ...(place === 'home' ? ['At home.'] : []),
    ...(theme ? [`Its theme: ${motionOf(theme).name}.`] : []),
    ...(isRetest ? ['Measure before it.'] : []),
    'Stop at sharp pain, numbness or a pinch in a joint. Licensed practice and local rules come first.'
  ].join('\n');
}
