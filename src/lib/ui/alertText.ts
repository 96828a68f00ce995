import { measureOf, type Alert, type Side } from '$lib/core';
import type { LengthUnit } from '$lib/contract/fields';
import { apartText, dateText, headlineText, lengthText, plural } from './format';

/** An alert as a sentence, and what would mend it with where that is done. */
export type Told = Readonly<{ text: string; mend: string; to: string; link: string }>;

const sided = (side: Side | null): string => (side ? `, ${side}` : '');

export function alertText(alert: Alert, nameOf: (exerciseId: string) => string, headline: string, unit: LengthUnit): Told {
  switch (alert.code) {
    case 'check overdue':
      return {
        text: 'The Check is overdue.',
        mend: 'Ask it again before the next session.',
        to: 'check?topic=now',
        link: 'To the Check'
      };
    case 'attendance':
      return {
        text: `${alert.done} of ${plural(alert.due, 'session')} due in the last four weeks ${alert.done === 1 ? 'was' : 'were'} done.`,
        mend: 'Fewer or shorter sessions that are kept do more than many that are not.',
        to: 'plan/compare',
        link: 'Compare two plans'
      };
    case 'sensation drifts':
      return {
        text: `${nameOf(alert.exerciseId)}${sided(alert.side)}: how strong it felt went from ${alert.from} to ${alert.to} of 10 over ${plural(alert.sessions, 'session')}.`,
        mend: 'Make one setting easier before it goes over the cap.',
        to: `grade?exercise=${alert.exerciseId}`,
        link: 'To its settings'
      };
    case 'shape lost':
      return {
        text: `${nameOf(alert.exerciseId)}${sided(alert.side)}: the shape was lost in ${alert.lost} of the last ${plural(alert.sessions, 'session')}.`,
        mend: 'Make one setting easier until the shape is kept.',
        to: `grade?exercise=${alert.exerciseId}`,
        link: 'To its settings'
      };
    case 'effort may rise':
      return {
        text: `${nameOf(alert.exerciseId)}: its effort has stood at ${alert.from} % for ${plural(alert.sessions, 'session')} over four weeks or more, all as planned.`,
        mend: `The effort cap may go to ${alert.to} %, if you judge so.`,
        to: 'check?topic=caps',
        link: 'To the caps'
      };
    case 'past the tape':
      return {
        text: `${nameOf(alert.exerciseId)}${sided(alert.side)} stands at ${lengthText(alert.at, unit)}, but ${lengthText(alert.measured, unit)} was measured on ${dateText(alert.on)}.`,
        mend: 'Measure the position again, or go back to a height it reaches.',
        to: 'measure',
        link: 'Measure'
      };
    case 'plateau':
      return {
        text: `It stands still${sided(alert.side)}: ${plural(alert.measures, 'measure')} over ${plural(Math.round(alert.weeks), 'week')}, with the sessions done.`,
        mend: 'Another stimulus: see what limits it now, then another exercise or way of working.',
        to: 'read',
        link: 'What limits it'
      };
    case 'off the forecast':
      return {
        text: `The last measure${sided(alert.side)}, ${headlineText(alert.value, headline, unit)}, lies ${alert.isBehind ? 'behind' : 'ahead of'} what was foretold on ${dateText(alert.madeOn)}: ${headlineText(alert.low, headline, unit)} to ${headlineText(alert.high, headline, unit)}.`,
        mend: alert.isBehind
          ? 'Measure again in the same state; then look at the date of the goal.'
          : 'The goal may be nearer than its date.',
        to: 'review/progress',
        link: 'To Progress'
      };
    case 'side behind':
      return {
        text: `The ${alert.side} is behind by ${apartText(0, alert.by, measureOf(headline), unit)}, more than the error of ${apartText(0, alert.error, measureOf(headline), unit)}.`,
        mend: alert.isLong
          ? 'It goes first and gets a set more of the position, until it is level for two measures.'
          : 'It goes first. Should the next measure show it too, it gets a set more of the position.',
        to: 'plan',
        link: 'To the plan'
      };
  }
}
