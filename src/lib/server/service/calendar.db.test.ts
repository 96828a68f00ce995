import ICAL from 'ical.js';
import { describe, expect, test } from 'vitest';
import { addDays } from '$lib/core';
import { testDay } from '../testing/people';
import { at, play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import type { Database } from '../db/db';
import { calendarOf, type SessionTime } from './calendar';
import { loadGoalCase } from './clientCase';
import { tellLater } from './pain';
import { makePlan } from './planning';
import { barsOf } from './safety';
import { weekOf } from './week';

const store = testDatabase('split plan');
const textOf = async (db: Database, id: number, on: string, time: SessionTime = null) =>
  calendarOf(db, await loadGoalCase(db, id, on), at(on), time);

/** Read by a package that has nothing to do with the one that wrote it. */
function eventsOf(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  return calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    return {
      uid: event.uid,
      start: event.startDate.toString(),
      end: event.endDate.toString(),
      isDay: event.startDate.isDate,
      zone: event.startDate.zone?.tzid ?? null,
      summary: event.summary,
      text: event.description,
      sequence: Number(component.getFirstPropertyValue('sequence')),
      status: String(component.getFirstPropertyValue('status'))
    };
  });
}

describe('the plan as a calendar', () => {
  test('keeps the rules of the format', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const text = await textOf(db, id, testDay);
      // RFC 5545 (from memory): lines end in CRLF, the last too; 75 octets at most; PRODID, VERSION once; a stamp in UTC; one UID an event.
      expect(text.replaceAll('\r\n', '')).not.toContain('\n');
      const lines = text.split('\r\n').filter((line) => line !== '');
      expect(Math.max(...lines.map((line) => new TextEncoder().encode(line).length))).toBeLessThanOrEqual(75);
      for (const once of ['VERSION:2.0', 'BEGIN:VCALENDAR', 'END:VCALENDAR'])
        expect(lines.filter((line) => line === once)).toHaveLength(1);
      expect(lines.filter((line) => line.startsWith('PRODID:'))).toHaveLength(1);
      const events = eventsOf(text);
      expect(events).toHaveLength(18);
      expect(lines.filter((line) => /^DTSTAMP:\d{8}T\d{6}Z$/.test(line))).toHaveLength(18);
      expect(new Set(events.map((e) => e.uid)).size).toBe(18);
    }));

  // The clocks of two of them change within these six weeks.
  test.each(['Europe/Berlin', 'America/New_York', 'Asia/Tokyo'])(
    'says the same days and times where the server’s clock is that of %s',
    (zone) =>
      store.rolledBack(async (db) => {
        const times = async () =>
          Promise.all(
            [null, { hours: 18, minutes: 30 }].map(async (time) =>
              eventsOf(await textOf(db, store.splitPlanId, testDay, time)).map(({ start, end }) => [start, end])
            )
          );
        const before = process.env.TZ;
        process.env.TZ = 'UTC';
        const [days, evenings] = await times();
        try {
          process.env.TZ = zone;
          expect(new Date('2026-03-02T12:00:00Z').getHours()).not.toBe(12);
          expect(await times()).toEqual([days, evenings]);
          expect(evenings![0]![0]).toMatch(/T18:30:00/);
        } finally {
          if (before === undefined) delete process.env.TZ;
          else process.env.TZ = before;
        }
      })
  );

  test('a session is a whole day, or begins at a time on the wall and takes its minutes', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const [day] = eventsOf(await textOf(db, id, testDay));
      expect(day).toMatchObject({ isDay: true, start: testDay, end: addDays(testDay, 1), status: 'CONFIRMED' });
      expect(day!.summary).toMatch(/^Nell Harrow: front split, week 1, session 1$/);
      expect(day!.text).toContain('Front split on its stack');
      const [timed] = eventsOf(await textOf(db, id, testDay, { hours: 18, minutes: 30 }));
      expect(timed).toMatchObject({ start: `${testDay}T18:30:00`, end: `${testDay}T19:15:00`, isDay: false, zone: 'floating' });
    }));

  test('a new version changes a day in place and calls off the days it left', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const before = eventsOf(await textOf(db, id, testDay));
      const plan = {
        schoolId: 'long_hold',
        weeks: 6,
        sessionsPerWeek: 2,
        minutes: 30,
        startOn: testDay,
        basedOnVersion: 1
      } as const;
      await makePlan(db, id, plan, testDay);
      const after = eventsOf(await textOf(db, id, testDay));
      const known = new Map(before.map((e) => [e.start, e.uid]));
      const kept = after.filter((e) => known.has(e.start));
      expect(kept.length).toBeGreaterThan(0);
      for (const e of kept) expect(e).toMatchObject({ uid: known.get(e.start), sequence: 2 });
      expect(after.filter((e) => e.status === 'CONFIRMED')).toHaveLength(12);
      // Every day that was told is told again: going on, or called off.
      expect(new Set(after.map((e) => e.start))).toEqual(new Set([...known.keys(), ...after.map((e) => e.start)]));
      expect(after.some((e) => e.status === 'CANCELLED')).toBe(true);
    }));

  test('what is done is past, and leaves the calendar', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await play(db, id, testDay);
      expect(eventsOf(await textOf(db, id, addDays(testDay, 1)))).toHaveLength(17);
    }));

  test('what a stop takes out is in no session; who may not train has every session called off', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const told = {
        kind: 'sharp_pop',
        place: 'back_of_thigh',
        side: 'left',
        exerciseId: 'front_hamstring_cycle',
        workSide: 'left'
      } as const;
      await tellLater(db, id, { ...told, feltOn: testDay, note: '' }, at(testDay));
      const locked = eventsOf(await textOf(db, id, testDay));
      const c = await loadGoalCase(db, id, testDay);
      const barred = weekOf(c).filter(({ exercise }) => barsOf(c, exercise).length > 0);
      expect(barred).not.toEqual([]);
      for (const e of locked) for (const { exercise } of barred) expect(e.text).not.toContain(exercise.name);
      await db.query(
        `insert into body_lock (client_id, joint, side, reason, opened_on) values ($1, 'back', null, 'told in a test', $2)`,
        [id, testDay]
      );
      expect(eventsOf(await textOf(db, id, testDay)).every((e) => e.status === 'CANCELLED')).toBe(true);
      await db.query('delete from screening where client_id = $1', [id]);
      const closed = eventsOf(await textOf(db, id, testDay));
      expect(closed.length).toBeGreaterThan(0);
      expect(closed.every((e) => e.status === 'CANCELLED')).toBe(true);
    }));
});
