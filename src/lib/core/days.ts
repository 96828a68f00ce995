import { addDays as addDaysTo, differenceInCalendarDays, format, formatISO, getISODay, isValid, parseISO } from 'date-fns';
import { CoreError } from './errors';

/** Calendar days from one ISO date to another; negative when it lies before. Throws: CoreError 'date_invalid'. */
export const daysBetween = (fromOn: string, toOn: string): number => differenceInCalendarDays(day(toOn), day(fromOn));

/** The ISO date some days later. Throws: CoreError 'date_invalid'. */
export const addDays = (on: string, days: number): string => formatISO(addDaysTo(day(on), days), { representation: 'date' });

/** Monday 1 to Sunday 7. Throws: CoreError 'date_invalid'. */
export const weekdayOf = (on: string): number => getISODay(day(on));

/** "5 March 2026". Throws: CoreError 'date_invalid'. */
export const dayText = (on: string): string => format(day(on), 'd MMMM yyyy');

function day(on: string): Date {
  const date = parseISO(on.slice(0, 10));
  if (!isValid(date)) throw new CoreError('date_invalid', { on });
  return date;
}
