import type { StationWord } from '$lib/contract/path';
import { dateText, plural, shortDate } from './format';

/** Why a station of the path stands as it does, in a sentence. */
export function pathText(word: StationWord): string {
  switch (word.code) {
    case 'not screened':
      return 'Not screened yet.';
    case 'urgent sign':
      return 'An urgent sign: medical help first.';
    case 'clinician first':
      return 'A clinician must agree first.';
    case 'cleared first':
      return 'A named person must clear it first.';
    case 'stops open':
      return word.stops === 1
        ? 'Stopped after pain: needs clearance.'
        : `Stopped after pain in ${word.stops} places: each needs clearance.`;
    case 'check again':
      return `Last asked on ${dateText(word.on)}. It is time to ask again.`;
    case 'screened':
      return `Screened on ${dateText(word.on)}.`;
    case 'goal first':
      return 'Set a goal first.';
    case 'no baseline':
      return 'The goal is not measured yet.';
    case 'retest':
      return `The last time was ${word.days} days ago. It is time to measure again.`;
    case 'measured':
      return word.days === 0 ? 'Measured today.' : word.days === 1 ? 'Measured yesterday.' : `Measured ${word.days} days ago.`;
    case 'some measured':
      return `${word.taken} of ${plural(word.all, 'measure')} taken. The others tell why it stops there.`;
    case 'some read':
      return `${word.taken} of ${plural(word.all, 'joint range')} behind it measured.`;
    case 'headline first':
      return 'Measure the goal first.';
    case 'no link measured':
      return 'No joint range is measured yet. The goal’s own measure says how far, not why.';
    case 'read':
      return 'The joints behind it are measured.';
    case 'nothing chosen':
      return 'No exercise is set up yet.';
    case 'both sides set':
      return 'The exercises are set up on both sides.';
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
      return 'There are decisions to make.';
    case 'nothing waits':
      return 'There is nothing to decide.';
    case 'after the first session':
      return 'Opens after the first session.';
  }
}
