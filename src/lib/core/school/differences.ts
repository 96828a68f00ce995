// A data table: where practitioners differ, laid out as answers. Common practice, no published source (docs/sources.md#schools).
import type { Difference, SchoolId } from './school';

const says = (words: string, ...schools: SchoolId[]) => ({ words, schools });
const ask = (question: string, ...answers: Difference['answers']): Difference => ({ question, answers });

export const differences: readonly Difference[] = [
  ask(
    'How long is a passive hold?',
    says('about two minutes before any effort', 'long_hold'),
    says('20 to 60 s', 'drills'),
    says('no long hold: 1 to 2 s, or straight into effort', 'short_holds', 'contract_relax')
  ),
  ask(
    'How long is a contraction?',
    says('5 s'),
    says('5 to 10 s', 'contract_relax'),
    says('10 to 30 s', 'long_hold'),
    says('all the while', 'breath_counted')
  ),
  ask(
    'How much effort?',
    says('up to the highest that is safe', 'long_hold'),
    says('half, or as prescribed', 'contract_relax'),
    says('barely any, steady', 'short_holds', 'breath_counted')
  ),
  ask(
    'How does effort rise?',
    says('in steps of 10 or 20 %', 'long_hold'),
    says('smoothly over 10 to 15 s', 'long_hold'),
    says('at once', 'contract_relax', 'drills')
  ),
  ask(
    'How does it go out?',
    says('graded down', 'long_hold'),
    says('let go on a count, keeping the shape', 'contract_relax'),
    says('straight into the opposite', 'long_hold')
  ),
  ask(
    'Which tissue contracts?',
    says('the lengthened side only', 'contract_relax'),
    says('the lengthened, then the shortened side', 'long_hold'),
    says('only the opposite one', 'short_holds')
  ),
  ask(
    'Where does the short side aim?',
    says('pure rotation, no lifting', 'long_hold'),
    says('the limb further, closing the angle'),
    says('the trunk deeper into the fold')
  ),
  ask(
    'How strict is the shape?',
    says('strict', 'long_hold', 'contract_relax', 'drills'),
    says('a deliberate compensation in later sets', 'breath_counted'),
    says('only the joint in question', 'short_holds')
  ),
  ask(
    'The spine in a fold?',
    says('long and flat', 'long_hold'),
    says('rounded on purpose', 'breath_counted'),
    says('left open', 'drills')
  ),
  ask(
    'The pelvis?',
    says('neutral or held', 'short_holds', 'drills'),
    says('its tilt is what is made harder', 'long_hold'),
    says('first neutral, later free', 'breath_counted')
  ),
  ask(
    'The hands?',
    says('they pull or push deeper', 'drills'),
    says('they do not help', 'breath_counted'),
    says('they only resist', 'long_hold', 'contract_relax')
  ),
  ask(
    'Passive or active first?',
    says('passive, then active', 'long_hold', 'contract_relax'),
    says('active, passive last', 'breath_counted'),
    says('always lightly active', 'short_holds')
  ),
  ask(
    'How does it move?',
    says('bounces and swings', 'drills'),
    says('slow and still', 'long_hold', 'breath_counted'),
    says('counted, without an end hold', 'short_holds')
  ),
  ask(
    'How often?',
    says('daily', 'short_holds'),
    says('by the session, a little lower each time', 'contract_relax'),
    says('themed weeks, or before each class', 'drills')
  ),
  ask(
    'What comes before?',
    says('something for the pulse', 'drills'),
    says('the joints moved', 'breath_counted'),
    says('nothing: the stretch is the warm-up')
  ),
  ask(
    'How is it made harder?',
    says('the limb moves', 'short_holds', 'contract_relax'),
    says('pelvis or trunk moves', 'long_hold'),
    says('another prop, a load, a breath out', 'drills')
  ),
  ask(
    'What is time counted in?',
    says('seconds or counts', 'long_hold', 'contract_relax', 'drills'),
    says('breaths', 'breath_counted'),
    says('until it feels right')
  ),
  ask(
    'Which side when?',
    says('one side fully, then the other', 'long_hold'),
    says('sides in turn, exercise by exercise', 'contract_relax'),
    says('sides in turn inside a set', 'drills')
  ),
  ask(
    'May the knee pass the toes?',
    says('the front foot stays ahead of the knee', 'drills'),
    says('the knee should travel past the toes')
  ),
  ask(
    'Does the knee turn?',
    says('it only seems to; circles are for ease'),
    says('the shin turns inward as it bends, and may be helped'),
    says('no turning load through the knee', 'long_hold')
  ),
  ask(
    'How much may be felt?',
    says('4 of 10', 'long_hold'),
    says('effort may be intense'),
    says('free of pain only', 'short_holds', 'breath_counted')
  ),
  ask('Knee to the chest?', says('of little use once somebody is supple', 'drills'), says('a core exercise', 'breath_counted')),
  ask(
    'When does it show?',
    says('in the same session', 'contract_relax'),
    says('in 2 to 12 weeks', 'long_hold', 'drills'),
    says('in many months')
  ),
  ask(
    'When is it made harder?',
    says('each repetition of the same session', 'contract_relax'),
    says('next session, a lower target', 'long_hold'),
    says('after weeks without pain')
  ),
  ask('When, beside training?', says('before', 'drills'), says('before or after'), says('on its own', 'long_hold')),
  ask(
    'Feet in the frog?',
    says('toes touching', 'drills'),
    says('hips, seat and knees in line, shins apart'),
    says('legs out, sitting back')
  ),
  ask(
    'When is it tested?',
    says('before', 'long_hold'),
    says('between the sides', 'breath_counted'),
    says('after', 'short_holds')
  ),
  ask(
    'How does it end?',
    says('staying in the stretch', 'long_hold'),
    says('a relaxed fold or lying rest', 'breath_counted', 'drills'),
    says('without anything', 'short_holds')
  )
];
