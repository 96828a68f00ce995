import type { StationWord } from '$lib/contract/path';
import { dateText, shortDate } from './format';

/** Why a station of the path stands as it does, in a sentence. */
export function pathText(word: StationWord): string {
  switch (word.code) {
    case 'not screened':
      return 'Not screened yet.';
    case 'urgent sign':
      return 'An urgent sign: medical help first.';
    case 'clinician first':
      return 'A clinician first.';
    case 'cleared first':
      return 'Cleared by a named person first.';
    case 'stops open':
      return word.stops === 1 ? 'A stop is open.' : `${word.stops} stops are open.`;
    case 'check again':
      return `Asked on ${dateText(word.on)}: time to ask again.`;
    case 'screened':
      return `Screened on ${dateText(word.on)}.`;
    case 'goal first':
      return 'Set a goal first.';
    case 'no baseline':
      return 'No baseline of the headline yet.';
    case 'retest':
      return `Last measured ${word.days} days ago: time to measure again.`;
    case 'measured':
      return word.days === 0 ? 'Measured today.' : word.days === 1 ? 'Measured yesterday.' : `Measured ${word.days} days ago.`;
    case 'headline first':
      return 'The headline is measured first.';
    case 'no link measured':
      return 'No link is measured yet: the headline says how far, not why.';
    case 'read':
      return 'Read down to its links.';
    case 'nothing chosen':
      return 'No setting is chosen yet.';
    case 'both sides set':
      return 'Both sides are set.';
    case 'no plan':
      return 'There is no plan yet.';
    case 'planned':
      return `Version ${word.version} of the plan.`;
    case 'plan done':
      return 'Every session of the plan is done.';
    case 'session running':
      return 'A session is running.';
    case 'verdicts first':
      return 'Decide the last session first.';
    case 'next session':
      return `Week ${word.week}, session ${word.ordinal} is next, on ${shortDate(word.on)}.`;
    case 'session overdue':
      return `Week ${word.week}, session ${word.ordinal} is overdue since ${shortDate(word.on)}.`;
    case 'verdicts wait':
      return 'Verdicts wait for you.';
    case 'nothing waits':
      return 'Nothing waits.';
    case 'after the first session':
      return 'After the first session.';
  }
}
