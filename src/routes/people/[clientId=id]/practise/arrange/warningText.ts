import { clockText } from '$lib/ui/format';
import { motionOf, type ArrangementWarning, type FindExercise } from '$lib/core';

/** What is not as it usually is, and what the button beside it does. */
export function warningText(warning: ArrangementWarning, find: FindExercise): { why: string; mend: string } {
  const { name } = find(warning.exerciseId);
  switch (warning.code) {
    case 'opened, not owned':
      return {
        why: `${motionOf(warning.link).name.replace(/^./, (c) => c.toUpperCase())} is stretched${warning.side === null ? '' : ` on the ${warning.side}`}, and no active work follows. New range that is not used is soon lost.`,
        mend: `Do ${name} after it${warning.side === null ? '' : ` on the ${warning.side}`}`
      };
    case 'second side less':
      return {
        why: `Of ${name} the ${warning.side} side, which comes second, gets ${clockText(warning.lessS)} less than the first. Both sides usually get the same.`,
        mend: `${warning.sets === 1 ? 'One set' : `${warning.sets} sets`} more on the ${warning.side}`
      };
    case 'hard again':
      return {
        why: `${name} works ${motionOf(warning.link).name}, which was worked hard yesterday. A day between is usual.`,
        mend: `Take out ${name}`
      };
    case 'long before training':
      return {
        why: `${name} is ${clockText(warning.stretchS)} under stretch on a side, right before other training. After a minute and more a muscle is some 5 % weaker for a while, after less about 1 %.`,
        mend: 'Take out what is stretched for a minute or more'
      };
    case 'work after training':
      return {
        why: `${name} comes right after other training. Tired muscles hold the range less well.`,
        mend: 'Stretch alone today'
      };
    case 'out of order': {
      const after = find(warning.after).name;
      return { why: `${name} comes before ${after}, which usually leads to it.`, mend: `Move it after ${after}` };
    }
    case 'position early':
      return {
        why: `${name} comes before anything that opens it. The deep position is usually held after the stretches.`,
        mend: `Move it after the stretches`
      };
  }
}
