import { describe, expect, test } from 'vitest';
import { busyDays, CalendarUnreadable, type BusyAsk } from './busyDays';

const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (uid: string, ...lines: string[]) => [
  'BEGIN:VEVENT',
  `UID:${uid}`,
  'DTSTAMP:20260101T000000Z',
  ...lines,
  'END:VEVENT'
];
const ask: BusyAsk = { from: '2026-03-02', to: '2026-03-15', beginsAt: '18:00', minutes: 45 };
const utc = (on: string, hours: number) => `${new Date(`${on}T${String(hours).padStart(2, '0')}:00:00`).toISOString().replaceAll(/[-:]|\.\d+/g, '')}`; // prettier-ignore

describe('busyDays', () => {
  // Source: RFC 5545 (from memory): an event takes [start, end).
  test('what overlaps the session takes its day, what ends as it begins does not', () => {
    const text = calendar(
      ...event('a', 'DTSTART:20260303T183000', 'DTEND:20260303T190000'),
      ...event('b', 'DTSTART:20260304T170000', 'DTEND:20260304T180000'),
      ...event('c', 'DTSTART:20260305T184500', 'DURATION:PT1H'),
      ...event('d', `DTSTART:${utc('2026-03-06', 18)}`, `DTEND:${utc('2026-03-06', 19)}`)
    );
    expect(busyDays(text, ask)).toEqual(['2026-03-03', '2026-03-06']);
  });
  test('what lasts whole days takes them, the end left out; what is called off or free takes none', () => {
    const text = calendar(
      ...event('a', 'DTSTART;VALUE=DATE:20260303', 'DTEND;VALUE=DATE:20260305'),
      ...event('b', 'DTSTART;VALUE=DATE:20260306', 'TRANSP:TRANSPARENT'),
      ...event('c', 'DTSTART:20260307T180000', 'DTEND:20260307T190000', 'STATUS:CANCELLED'),
      ...event('d', 'DTSTART;VALUE=DATE:20260310')
    );
    expect(busyDays(text, ask)).toEqual(['2026-03-03', '2026-03-04', '2026-03-10']);
  });
  // Source: RFC 5545 (from memory): RRULE, EXDATE, and RECURRENCE-ID for one that was moved.
  test('recurrences count, without those taken out, and one that was moved counts where it went', () => {
    const text = calendar(
      ...event(
        'a',
        'DTSTART:20260202T180000',
        'DTEND:20260202T190000',
        'RRULE:FREQ=WEEKLY;BYDAY=MO,WE',
        'EXDATE:20260304T180000'
      ),
      ...event('a', 'RECURRENCE-ID:20260309T180000', 'DTSTART:20260310T180000', 'DTEND:20260310T190000')
    );
    expect(busyDays(text, ask)).toEqual(['2026-03-02', '2026-03-10', '2026-03-11']);
  });
  // Source: a zone of a made-up place, nine hours ahead the whole year; its evening is another hour here.
  test('times of another zone are told by that zone', () => {
    const zone = ['BEGIN:VTIMEZONE', 'TZID:Far', 'BEGIN:STANDARD', 'DTSTART:19700101T000000', 'TZOFFSETFROM:+0900', 'TZOFFSETTO:+0900', 'END:STANDARD', 'END:VTIMEZONE']; // prettier-ignore
    const here = new Date('2026-03-04T18:10:00');
    const far = new Date(here.getTime() + 9 * 3_600_000).toISOString().slice(0, 19).replaceAll(/[-:]/g, ''); // prettier-ignore
    const text = calendar(...zone, ...event('a', `DTSTART;TZID=Far:${far}`, 'DURATION:PT10M'));
    expect(busyDays(text, ask)).toEqual(['2026-03-04']);
  });
  test('an event that never ends, and one that breaks the rules, hold nothing up', () => {
    const text = calendar(
      ...event('a', 'DTSTART:20200101T060000', 'DURATION:PT1M', 'RRULE:FREQ=MINUTELY'),
      ...event('b', 'SUMMARY:no start'),
      ...event('c', 'DTSTART:20260303T180000', 'DURATION:PT1H')
    );
    expect(busyDays(text, ask)).toEqual(['2026-03-03']);
  });
  test.each(['', 'not a calendar', 'BEGIN:VCARD\r\nEND:VCARD\r\n', '\u0000\u0001', 'BEGIN:VCALENDAR'])(
    'garbage is told as that: %j',
    (text) => expect(() => busyDays(text, ask)).toThrow(CalendarUnreadable)
  );
});
