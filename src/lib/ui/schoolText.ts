import type { Policies } from '$lib/core';
import { capital } from './format';

/** What a rule of a school means, as a part of a sentence. */
export const policyWords = {
  alignment: {
    strict: 'the shape is kept strictly',
    graded: 'the shape may loosen step by step, on purpose',
    'joint only': 'the shape is kept at the joint in question only'
  },
  hands: { none: 'the hands do not help', resist: 'the hands resist', assist: 'the hands help a little' },
  time: {
    seconds: 'time goes by seconds',
    counts: 'time goes by slow counts',
    breaths: 'time goes by breaths',
    'until eased': 'it lasts until the stretch eases'
  }
} as const satisfies { [K in keyof Policies]: Readonly<Record<Policies[K], string>> };

/** The rules that are in force as a sentence; one that nobody set is not in it. */
export function policiesText({ alignment, hands, time }: Partial<Policies>): string {
  const said = [
    alignment && policyWords.alignment[alignment],
    hands && policyWords.hands[hands],
    time && policyWords.time[time]
  ].filter((words) => words !== undefined);
  return said.length > 0 ? `${capital(said.join('; '))}.` : '';
}
