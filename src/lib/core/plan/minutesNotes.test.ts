import { describe, expect, test } from 'vitest';
import { stretchMost } from '../safety/upperLimit';
import type { Block, Form } from '../session/block';
import { compileSession } from '../session/compileSession';
import { minutesNotes } from './minutesNotes';
import { mendOf, weekNoteText } from './weekNotes';

const block = (part: Block['part'], form: Form, sets = 1): Block => ({
  exerciseId: part === 'warm-up' ? 'split_warm_up' : 'front_hamstring_cycle',
  part,
  links: part === 'warm-up' ? [] : ['HF-KS'],
  baseSets: sets,
  leastHoldS: 0,
  priority: 1,
  props: [],
  because: [],
  work: [{ side: part === 'warm-up' ? null : 'left', sets, setting: {}, form }]
});
const session = (warmUpS: number, holdS: number, sets: number) => {
  const blocks = [
    block('warm-up', { kind: 'flow', spec: { steps: [{ durationS: warmUpS, cue: 'march' }] } }),
    block('open', { kind: 'hold', spec: { holdS } }, sets)
  ];
  return { blocks, durationS: compileSession(blocks).durationS };
};
const notes = (minutes: number, ...sessions: ReturnType<typeof session>[]) => minutesNotes(sessions, minutes, () => stretchMost);

describe('the minutes of a week', () => {
  test('a session that is full says nothing, nor does a week that holds nothing', () => {
    expect(notes(12, session(120, 120, 4))).toEqual([]);
    expect(notes(12)).toEqual([]);
  });

  // Source: common practice; gains level off, so that more minutes for one motion are given away.
  test('minutes that are left say why: a motion has its fill, or everything is in', () => {
    const [fill] = notes(45, session(300, 120, 4));
    expect(fill).toMatchObject({ code: 'motion has its fill', link: 'HF-KS', minutes: 45 });
    expect(weekNoteText(fill!)).toContain('hamstring length gets as much stretch as does any good');
    expect(mendOf(fill!)).toBeNull();
    const [all] = notes(45, session(300, 60, 1));
    expect(all).toMatchObject({ code: 'asks for no more', minutes: 45 });
    expect(mendOf(all!)).toEqual({ code: 'grade' });
    // Of many short sessions the week counts.
    expect(notes(45, ...Array.from({ length: 6 }, () => session(300, 60, 3)))[0]).toMatchObject({ code: 'motion has its fill' });
  });

  test('a warm-up that a limit makes long asks for as many minutes as make it three tenths', () => {
    const long = notes(15, session(480, 60, 5)).find((n) => n.code === 'long warm-up')!;
    expect(long).toMatchObject({ warmUp: 8, minutes: 15, more: 15 });
    expect(mendOf(long)).toEqual({ code: 'minutes', more: 15 });
    expect(weekNoteText(long)).toBe(
      'The warm-up takes 8 of 15 minutes, as the Check asks. 15 more minutes would leave room for the work.'
    );
  });
});
