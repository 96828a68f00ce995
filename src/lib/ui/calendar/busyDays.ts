import ICAL from 'ical.js';

/** So many occurrences of one event are looked at: an hourly one over ten years is none that keeps anybody from training. */
const mostOccurrences = 20_000;

export type BusyAsk = Readonly<{
  /** Days that are looked at, both included. */
  from: string;
  to: string;
  /** When a session begins, by the clock on the wall, and how long it is. */
  beginsAt: string;
  minutes: number;
}>;

export class CalendarUnreadable extends Error {}

/**
 * Days on which a session would fall into something that is in a calendar.
 *
 * Model:  each event that is neither called off nor marked as free time, with its recurrences, exceptions and single changes, against the hour of
 *         the session on each day. Times with a zone are of that zone, times without one of this device's wall; what lasts a whole day takes the day.
 * Throws: CalendarUnreadable for what is no calendar.
 * Source: RFC 5545 (from memory), read by a kept package.
 */
export function busyDays(text: string, ask: BusyAsk): string[] {
  const calendars = calendarsOf(text);
  const sessions = daysBetween(ask.from, ask.to).map((on) => {
    const startMs = new Date(`${on}T${ask.beginsAt}:00`).getTime();
    return { on, startMs, endMs: startMs + ask.minutes * 60_000 };
  });
  const lastMs = Math.max(...sessions.map((s) => s.endMs));
  const busy = new Set<string>();
  for (const { startMs, endMs } of calendars.flatMap((c) => occurrencesIn(c, lastMs)))
    for (const s of sessions) if (startMs < s.endMs && endMs > s.startMs) busy.add(s.on);
  return [...busy].toSorted();
}

function calendarsOf(text: string): ICAL.Component[] {
  try {
    const parsed = ICAL.parse(text) as unknown[];
    const all = (Array.isArray(parsed[0]) ? parsed : [parsed]) as ConstructorParameters<typeof ICAL.Component>[0][];
    const calendars = all.map((one) => new ICAL.Component(one)).filter((c) => c.name === 'vcalendar');
    if (calendars.length > 0) return calendars;
  } catch {
    // told below
  }
  throw new CalendarUnreadable();
}

type Span = Readonly<{ startMs: number; endMs: number }>;

function occurrencesIn(calendar: ICAL.Component, lastMs: number): Span[] {
  for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
  const events = calendar.getAllSubcomponents('vevent').flatMap(readable);
  const single = new Map(events.filter((e) => e.isRecurrenceException()).map((e) => [keyOf(e.uid, e.recurrenceId), e]));
  return events.flatMap((event): Span[] => {
    if (event.isRecurrenceException()) return isTaken(event) ? [spanOf(event.startDate, event.endDate)] : [];
    if (!isTaken(event)) return [];
    if (!event.isRecurring()) return [spanOf(event.startDate, event.endDate)];
    const spans: Span[] = [];
    const iterator = event.iterator();
    for (let i = 0, next = iterator.next(); next && i < mostOccurrences; i++, next = iterator.next()) {
      if (next.toJSDate().getTime() > lastMs) break;
      if (single.has(keyOf(event.uid, next))) continue;
      const { startDate, endDate } = event.getOccurrenceDetails(next);
      spans.push(spanOf(startDate, endDate));
    }
    return spans;
  });
}

/** An event that breaks the rules is passed over: the others still count. */
function readable(component: ICAL.Component): ICAL.Event[] {
  try {
    const event = new ICAL.Event(component);
    return event.startDate ? [event] : [];
  } catch {
    return [];
  }
}

const keyOf = (uid: string, at: ICAL.Time): string => `${uid}/${at.toJSDate().getTime()}`;

const isTaken = ({ component }: ICAL.Event): boolean =>
  String(component.getFirstPropertyValue('status')).toUpperCase() !== 'CANCELLED' &&
  String(component.getFirstPropertyValue('transp')).toUpperCase() !== 'TRANSPARENT';

const spanOf = (start: ICAL.Time, end: ICAL.Time): Span => ({
  startMs: start.toJSDate().getTime(),
  endMs: end.toJSDate().getTime()
});

function daysBetween(from: string, to: string): string[] {
  const days: string[] = [];
  for (let at = ICAL.Time.fromDateString(from); at.toString() <= to; at.adjust(1, 0, 0, 0)) days.push(at.toString());
  return days;
}
