import type { Exercise } from './exercise';
import type { Span } from '../span';
import type { School, SchoolTopic } from '../school/school';

/** Which rule of a school has the figure of a dial. */
const topicOf: Readonly<Record<string, SchoolTopic>> = {
  holdS: 'hold',
  effortPct: 'effort',
  rounds: 'rounds',
  contractionS: 'contraction'
};

/** What a school usually does on a dial of an exercise, and whether the figure is the exercise's own; null where it has none. */
export type SchoolFigure = Readonly<{ span: Span; own: boolean; unsure: boolean }>;

export function schoolFigure(school: School, exercise: Exercise, dialId: string): SchoolFigure | null {
  const dose = exercise.doses.find((d) => d.school === school.id);
  const own = dose?.[dialId as 'holdS'];
  if (own !== undefined) return { span: own, own: true, unsure: dose?.unsure === true };
  // Breaths are no seconds, and lift-offs are no contraction: only what is counted in the dial's own unit is offered.
  if (dialId === 'holdS' && school.policies.time === 'breaths') return null;
  if (dialId === 'breaths')
    return school.policies.time === 'breaths' && school.rules.hold?.span
      ? { span: school.rules.hold.span, own: false, unsure: false }
      : null;
  if (dialId === 'contractionS' && school.policies.hands !== 'resist') return null;
  const topic = topicOf[dialId];
  const rule = topic ? school.rules[topic] : null;
  return rule?.span === undefined ? null : { span: rule.span, own: false, unsure: rule.unsure === true };
}

/** Whether a value lies outside what a school usually does. */
export const isOutside = ({ span }: SchoolFigure, value: number): boolean =>
  typeof span === 'number' ? value !== span : value < span[0] || value > span[1];
