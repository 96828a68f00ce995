import { beforeEach, describe, expect, test, vi } from 'vitest';
import { compileSession, exerciseOf, partOf, type Block, type Form, type PainEvent, type Side, type Work } from '$lib/core';
import { Player, type AskTime } from './player.svelte';

const holdS = 30;
const hold: Form = { kind: 'hold', spec: { holdS } };
const shorter: Form = { kind: 'hold', spec: { holdS: 20 } };

function blockOf(exerciseId: string, sides: readonly (Side | null)[] = ['left', 'right'], form: Form = hold): Block {
  const exercise = exerciseOf(exerciseId);
  return {
    exerciseId,
    part: partOf(exercise),
    links: exercise.links,
    props: [],
    baseSets: 1,
    leastHoldS: 20,
    priority: 1,
    because: [],
    work: sides.map((side) => ({ side, sets: 1, form, setting: { holdS }, easier: { form: shorter, setting: { holdS: 20 } } }))
  };
}

const lying: Form = { kind: 'flow', spec: { steps: [{ durationS: holdS, cue: 'lie on the back' }] } };
const blocks = [blockOf('front_hamstring_cycle'), blockOf('front_split_on_stack'), blockOf('settle', [null], lying)];

const outboxOf = (setIndices: number[] = []) => {
  const put = vi.fn();
  return { put, setIndices, outbox: { put, setIndices } };
};

function playerOf(over: Partial<ConstructorParameters<typeof Player>[0]> = {}) {
  const { put, outbox } = outboxOf();
  const player = new Player({ sessionId: 7, blocks, logged: [], pains: [], ended: false, outbox, ...over });
  const sent = (to: string): unknown[] => put.mock.calls.filter(([where]) => where === to).map(([, body]) => body as unknown);
  /** Lets the set run to its end, in steps as the clock of a page makes them. */
  const runOut = () => {
    for (let i = 0; i < 10_000 && player.mode === 'play'; i++) player.tick(0.25);
  };
  return { player, sent, runOut };
}

const leaveOut = (player: Player) => {
  player.askWhyLeftOut();
  player.leaveOut('no time');
};

beforeEach(() => localStorage.clear());

describe('time', () => {
  test('nothing runs before it is started, nor while it is paused', () => {
    const { player } = playerOf();
    player.tick(5);
    expect(player.elapsedS).toBe(0);
    player.togglePause();
    player.tick(5);
    player.togglePause();
    player.tick(5);
    expect(player.elapsedS).toBe(5);
  });

  test('a set is worked, and waits for what is said of it; the next one gets ready first', () => {
    const { player, runOut, sent } = playerOf();
    player.togglePause();
    runOut();
    expect(player.mode).toBe('ask');
    player.tick(60);
    expect(player.mode).toBe('ask');
    expect(sent('sets')).toEqual([]);
    player.clean();
    expect(sent('sets')).toEqual([
      expect.objectContaining({ setIndex: 0, side: 'left', clean: true, plannedS: holdS, actualS: holdS, setting: { holdS } })
    ]);
    expect([player.setIndex, player.phase.kind, player.paused]).toEqual([1, 'ready', false]);
  });

  test('what the gate bars since the session began is not played any more', () => {
    const barred = [{ exerciseId: 'front_hamstring_cycle', side: 'left' as const, why: 'Left hip is locked.' }];
    const { player, runOut } = playerOf({ barred });
    expect([player.set.exerciseId, player.set.side]).toEqual(['front_hamstring_cycle', 'right']);
    const all = blocks.slice(0, 2).flatMap((b) => b.work.map((w) => ({ exerciseId: b.exerciseId, side: w.side, why: '' })));
    const left = playerOf({ barred: all });
    expect(left.player.set.exerciseId).toBe('settle');
    left.player.togglePause();
    left.runOut();
    expect(left.player.mode).toBe('ended');
    void runOut;
  });

  test('getting ready is not time under work', () => {
    const { player, sent } = playerOf({ logged: [0] });
    expect(player.readyS).toBeGreaterThan(0);
    player.togglePause();
    player.tick(player.readyS + 10);
    player.skip();
    player.clean();
    expect(sent('sets')).toEqual([expect.objectContaining({ plannedS: holdS, actualS: 10 })]);
  });

  test('ten seconds more are worked and counted, and move what comes after', () => {
    const { player, runOut, sent } = playerOf();
    player.togglePause();
    player.tick(player.readyS + 1);
    const { endS } = player.phases.at(-1)!;
    player.extend();
    expect(player.phases.at(-1)!.endS).toBe(endS + 10);
    expect(player.remainingS).toBeCloseTo(holdS - 1 + 10, 9);
    runOut();
    player.clean();
    expect(sent('sets')).toEqual([expect.objectContaining({ actualS: holdS + 10 })]);
    // The extension was of that set alone.
    expect(player.phases.at(-1)!.endS - player.readyS).toBe(holdS);
  });

  test('back goes to the start of the phase, and from its first moments to the one before', () => {
    const { player } = playerOf({ logged: [0] });
    player.togglePause();
    player.tick(player.readyS + 8);
    player.back();
    expect(player.elapsedS).toBe(player.readyS);
    player.tick(1);
    player.back();
    expect(player.phase.kind).toBe('ready');
    player.back();
    expect(player.elapsedS).toBe(0);
  });

  test('a long gap between two ticks, as of a page that slept, ends the set and no more', () => {
    const { player, sent } = playerOf();
    player.togglePause();
    player.tick(3600);
    expect(player.mode).toBe('ask');
    player.clean();
    expect(sent('sets')).toEqual([expect.objectContaining({ setIndex: 0, actualS: holdS })]);
  });
});

describe('the course of a session', () => {
  const finish = ({ player, runOut }: ReturnType<typeof playerOf>) => {
    player.togglePause();
    for (let i = 0; i < 50 && player.mode !== 'ended'; i++) {
      runOut();
      if (player.mode === 'ask') player.clean();
    }
  };

  test('every set is said once, in order; one without a side is not asked for', () => {
    const played = playerOf();
    finish(played);
    const { sets } = compileSession(blocks);
    expect(played.sent('sets').map((s) => (s as { setIndex: number }).setIndex)).toEqual(sets.map((s) => s.index));
    expect(played.sent('sets').at(-1)).toMatchObject({ side: null, clean: null });
    expect(played.sent('finish')).toEqual([{ status: 'done' }]);
    expect(played.player.stopped).toBe(false);
  });

  test('a set that is left out is kept with why, and no question of it is answered', () => {
    const { player, sent } = playerOf();
    leaveOut(player);
    expect(player.setIndex).toBe(1);
    expect(sent('sets')).toEqual([expect.objectContaining({ setIndex: 0, leftOut: 'no time', clean: null, actualS: 0 })]);
    expect([player.logged, player.leftOut]).toEqual([[0], [0]]);
  });

  test('pain told while it is asked why a set is left out is of that set, and taken back the question stands', () => {
    const { player, runOut, sent } = playerOf();
    player.togglePause();
    runOut();
    player.askWhyLeftOut();
    player.askPain();
    player.goBack();
    expect([player.mode, player.toAsk]).toEqual(['ask', 1]);
    player.askWhyLeftOut();
    player.goBack();
    leaveOut(player);
    expect(sent('sets')).toHaveLength(1);
    expect(player.setIndex).toBe(1);
  });

  test('what is noted of a set is not a clean set', () => {
    const { player, sent, runOut } = playerOf();
    player.togglePause();
    runOut();
    player.keepNotes({ sensation: 6, felt: 'elsewhere', slipped: null });
    expect(sent('sets')).toEqual([expect.objectContaining({ clean: false, sensation: 6, felt: 'elsewhere' })]);
  });

  test('sets that are known, or on their way, are not done again', () => {
    expect(playerOf({ logged: [0], outbox: outboxOf([1]).outbox }).player.setIndex).toBe(2);
  });

  test('where everything was said and only the end was not, the end is', () => {
    const { sets } = compileSession(blocks);
    const { player, sent } = playerOf({ logged: sets.map((s) => s.index) });
    expect(player.mode).toBe('ended');
    expect(sent('finish')).toEqual([{ status: 'done' }]);
  });

  test('a session that has ended does not run again', () => {
    const { player, sent } = playerOf({ ended: true });
    player.askPain();
    player.togglePause();
    player.tick(10);
    expect(player.mode).toBe('ended');
    expect(player.elapsedS).toBe(0);
    expect(sent('finish')).toEqual([]);
  });
});

describe('coming back', () => {
  test('a reload comes back to the second, the extension, and paused', () => {
    const { player } = playerOf();
    player.togglePause();
    player.tick(player.readyS + 12);
    player.extend();
    const again = playerOf().player;
    expect([again.setIndex, again.elapsedS, again.paused]).toEqual([0, player.elapsedS, true]);
    expect(again.remainingS).toBe(player.remainingS);
  });

  test('a reload that no server answers knows what this device said: sets, what was left out, pains', () => {
    const { player, runOut } = playerOf();
    player.togglePause();
    runOut();
    player.clean();
    leaveOut(player);
    player.tellPain({ kind: 'joint', place: 'knee', side: 'left' });
    // As this device kept it when it began, and nothing waits in the outbox any more.
    const again = playerOf().player;
    expect([again.set.exerciseId, again.logged, again.leftOut]).toEqual(['settle', [0, 1, 2], [1]]);
  });

  test('a browser that has no room left: the place is not kept, which is told, and the work goes on', () => {
    const { player, runOut } = playerOf();
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    player.togglePause();
    runOut();
    vi.restoreAllMocks();
    expect([player.mode, player.isPlaceKept]).toEqual(['ask', false]);
    player.clean();
    expect(player.isPlaceKept).toBe(true);
  });

  test('a reload at the question asks it again', () => {
    const { player, runOut } = playerOf();
    player.togglePause();
    runOut();
    expect(playerOf().player.mode).toBe('ask');
  });

  test('another session begins at its own beginning', () => {
    const { player } = playerOf();
    player.togglePause();
    player.tick(9);
    expect(playerOf({ sessionId: 8 }).player.elapsedS).toBe(0);
  });

  test.each(['{', '"x"', '[]', '{"setIndex":99,"elapsedS":1}', '{"setIndex":0}', 'null'])(
    'what cannot be read is as if nothing was kept: %s',
    (text) => {
      localStorage.setItem('calm-reach/place/7', text);
      const { player } = playerOf();
      expect([player.setIndex, player.elapsedS, player.mode]).toEqual([0, 0, 'play']);
    }
  );
});

// Source: common practice, the cautious side (docs/sources.md#screening).
describe('pain', () => {
  const told = (kind: PainEvent['kind'], place: PainEvent['place'] = 'back_of_thigh'): PainEvent => ({
    kind,
    place,
    side: 'left'
  });

  test('asking stops the clock, and not telling goes on where it was', () => {
    const { player } = playerOf();
    player.togglePause();
    player.tick(5);
    player.askPain();
    player.tick(5);
    expect([player.mode, player.elapsedS]).toEqual(['pain', 5]);
    player.goBack();
    expect(player.mode).toBe('play');
    expect(player.paused).toBe(true);
  });

  test('at the question of a set it comes back to the question', () => {
    const { player, runOut } = playerOf();
    player.togglePause();
    runOut();
    player.askPain();
    player.goBack();
    expect(player.mode).toBe('ask');
  });

  test('a stop sign ends the session at once, whatever the connection', () => {
    const { player, sent } = playerOf();
    player.togglePause();
    player.tick(10);
    player.askPain();
    player.tellPain(told('nerve'));
    expect([player.mode, player.stopped, player.paused]).toEqual(['ended', true, true]);
    expect(sent('pain')).toEqual([expect.objectContaining({ setIndex: 0, workSide: 'left', kind: 'nerve', side: 'left' })]);
    expect(sent('finish')).toEqual([{ status: 'stopped' }]);
  });

  test('a stretch that is only felt goes on with the same set', () => {
    const { player, sent } = playerOf();
    player.togglePause();
    player.tick(10);
    player.tellPain(told('stretch_or_work'));
    expect(player.mode).toBe('advice');
    player.afterAdvice();
    expect([player.mode, player.setIndex]).toEqual(['play', 0]);
    expect(sent('sets')).toEqual([]);
  });

  test('joint pain ends the exercise on both sides; what was done of the set is kept, not as clean', () => {
    const { player, sent } = playerOf();
    player.togglePause();
    player.tick(player.readyS + 10);
    player.tellPain(told('joint', 'knee'));
    player.afterAdvice();
    expect(player.set.exerciseId).toBe('front_split_on_stack');
    expect(sent('sets')).toEqual([expect.objectContaining({ setIndex: 0, clean: false, actualS: 10 })]);
  });

  test('how strong it is can be said once; a moderate one rests the joint, a severe one ends the session', () => {
    const { player, sent } = playerOf();
    player.tellPain(told('pinch', 'knee'));
    player.gradePain('moderate');
    player.gradePain('mild');
    const [first, second] = sent('pain') as PainEvent[];
    expect(sent('pain')).toHaveLength(2);
    expect(second).toEqual({ ...first, grade: 'moderate' });
    expect(player.outcome!.dropped.length).toBeGreaterThan(0);

    const other = playerOf();
    other.player.tellPain(told('joint', 'knee'));
    other.player.gradePain('severe');
    expect([other.player.mode, other.player.stopped]).toEqual(['ended', true]);
    expect(other.sent('finish')).toEqual([{ status: 'stopped' }]);
  });

  test('an ache at the left sit-bone takes out the left split, and leaves the right one', () => {
    const { player } = playerOf();
    player.tellPain(told('bone_attachment', 'sit_bone'));
    player.afterAdvice();
    const left = [player.set, player.next].map((s) => `${s!.exerciseId} ${s!.side}`);
    expect(left).not.toContain('front_split_on_stack left');
    expect(left).toContain('front_split_on_stack right');
  });

  test('too strong: the rest of the exercise on that side takes its easier setting', () => {
    const twice = [{ ...blocks[1]!, work: blocks[1]!.work.map((w) => ({ ...w, sets: 2 })) }];
    const { player } = playerOf({ blocks: twice });
    player.tellPain(told('too_strong'));
    player.afterAdvice();
    const seen: [Side | null, boolean, number][] = [];
    while (player.mode !== 'ended') {
      seen.push([player.set.side, player.isEased, player.phases.at(-1)!.endS - player.readyS]);
      leaveOut(player);
    }
    expect(seen).toContainEqual(['left', true, 20]);
    expect(seen.filter(([side]) => side === 'right').every(([, eased, lasts]) => !eased && lasts === holdS)).toBe(true);
  });

  test('pain that was told before a reload still holds', () => {
    const { player } = playerOf({ pains: [{ ...told('joint', 'knee'), setIndex: 0 }], logged: [0] });
    expect(player.set.exerciseId).toBe('front_split_on_stack');
  });
});

describe('the announced effort', () => {
  test('climbs a ramp by its whole steps, never above the level', () => {
    const effort = (pct: number) => ({ peakPct: pct, holdS: 10, rampUpS: 10, rampDownS: 5 });
    const spec = { holdS: 10, rounds: 1, press: effort(40), draw: effort(20), turnS: 0, settleS: 0, finalSettleS: 0 };
    const cycle: Form = { kind: 'cycle', spec };
    const { player } = playerOf({ blocks: [blockOf('front_hamstring_cycle', ['left'], cycle)] });
    player.togglePause();
    const seen: number[] = [];
    for (let i = 0; i < 400 && player.mode === 'play'; i++) {
      if (player.phase.kind === 'press up') seen.push(player.announcedPct);
      player.tick(0.25);
    }
    expect(seen.length).toBeGreaterThan(4);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(Math.max(...seen)).toBeLessThanOrEqual(40);
  });
});

describe('a warm-up of several movements', () => {
  const stepOf = (exerciseId: string, side: Side | null) => ({ exerciseId, side, durationS: 30, cue: 'march' as const });
  const flow: Form = {
    kind: 'flow',
    spec: {
      steps: [
        stepOf('march_on_the_spot', null),
        stepOf('leg_swings_forward', 'left'),
        stepOf('leg_swings_forward', 'right'),
        stepOf('arm_circles', null)
      ]
    }
  };
  const warmUp = [blockOf('split_warm_up', [null], flow), ...blocks];
  const running = (over: Partial<ConstructorParameters<typeof Player>[0]> = {}) => {
    const made = playerOf({ blocks: warmUp, ...over });
    made.player.togglePause();
    return made;
  };
  /** What is shown from here to the end of the warm-up. */
  const movements = ({ player }: ReturnType<typeof running>) => {
    const seen: string[] = [];
    while (player.setIndex === 0 && player.mode === 'play') {
      const { exerciseId, side } = player.shown;
      const name = `${exerciseId}/${side}`;
      if (seen.at(-1) !== name) seen.push(name);
      player.tick(1);
    }
    return seen;
  };

  test('each is shown with its own exercise and side, and the next is named', () => {
    const all = running();
    expect(all.player.nextShown).toEqual({ exerciseId: 'leg_swings_forward', side: 'left' });
    expect(movements(all)).toEqual([
      'march_on_the_spot/null',
      'leg_swings_forward/left',
      'leg_swings_forward/right',
      'arm_circles/null'
    ]);
  });

  test('one that is barred since the session began is passed over', () =>
    expect(movements(running({ barred: [{ exerciseId: 'leg_swings_forward', side: 'left', why: 'Stopped.' }] }))).not.toContain(
      'leg_swings_forward/left'
    ));

  test('pain in one of them is told of that one, ends it and its like, and the rest of the warm-up is done', () => {
    const hurt = running();
    hurt.player.skip();
    hurt.player.askPain();
    hurt.player.tellPain({ kind: 'too_strong', place: 'back_of_thigh', side: 'left' });
    expect(hurt.sent('pain')).toMatchObject([{ exerciseId: 'leg_swings_forward', workSide: 'left', setIndex: 0 }]);
    hurt.player.afterAdvice();
    expect(movements(hurt)).toEqual(['arm_circles/null']);
    expect(hurt.sent('sets')).toHaveLength(1);
    expect(hurt.player.setIndex).toBe(1);
  });

  test('pain in a flow whose movements have no exercise of their own ends it', () => {
    const still: Form = { kind: 'flow', spec: { steps: [60, 60].map((durationS) => ({ durationS, cue: 'lie on the back' })) } };
    const { player } = playerOf({ blocks: [blockOf('settle', [null], still)] });
    player.togglePause();
    player.tick(5);
    player.askPain();
    player.tellPain({ kind: 'joint', place: 'knee', side: 'left' });
    player.afterAdvice();
    expect(player.mode).toBe('ended');
  });

  test('after a reload what a pain ended stays ended', () => {
    const told = { kind: 'too_strong' as const, place: 'back_of_thigh' as const, side: 'left' as const };
    const again = running({ pains: [{ ...told, setIndex: 0, exerciseId: 'leg_swings_forward', workSide: 'left' }] });
    expect(movements(again)).toEqual(['march_on_the_spot/null', 'arm_circles/null']);
  });
});

describe('when it is asked', () => {
  const twice = [{ ...blocks[0]!, work: blocks[0]!.work.map((w) => ({ ...w, sets: 2 })) }, blocks[1]!, blocks[2]!];
  const asking = (askAfter: AskTime) => {
    const made = playerOf({ blocks: twice });
    made.player.askAfter = askAfter;
    made.player.togglePause();
    return made;
  };
  /** How many sets were worked at each question, and what was then asked about. */
  function questions({ player, runOut }: ReturnType<typeof playerOf>): [at: number, asked: number[]][] {
    const seen: [number, number[]][] = [];
    for (let i = 0; i < 50 && player.mode !== 'ended'; i++) {
      runOut();
      const asked: number[] = [];
      const at = player.setIndex;
      while (player.mode === 'ask') {
        asked.push(player.asked.index);
        player.clean();
      }
      if (asked.length > 0) seen.push([at, asked]);
    }
    return seen;
  }

  test('after each exercise: its sets one after the other, then on', () => {
    const made = asking('each exercise');
    expect(questions(made)).toEqual([
      [3, [0, 1, 2, 3]],
      [5, [4, 5]]
    ]);
    expect(made.sent('sets').map((s) => (s as { setIndex: number }).setIndex)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(made.sent('sets')[0]).toMatchObject({ actualS: holdS, clean: true });
  });

  test('after the session: all of them, once it is over, and then the end', () => {
    const made = asking('the session');
    expect(questions(made)).toEqual([[6, [0, 1, 2, 3, 4, 5]]]);
    expect(made.sent('finish')).toEqual([{ status: 'done' }]);
  });

  test('ended early, what was worked is asked about first', () => {
    const made = asking('the session');
    for (const skip of [1, 2, 3]) for (let i = 0; i < skip && made.player.mode === 'play'; i++) made.player.skip();
    const worked = made.player.setIndex;
    expect(worked).toBeGreaterThan(0);
    made.player.finishEarly();
    expect(made.sent('finish')).toEqual([]);
    while (made.player.mode === 'ask') leaveOut(made.player);
    expect(made.player.mode).toBe('ended');
    expect(made.sent('sets').every((set) => (set as { leftOut?: string }).leftOut === 'no time')).toBe(true);
  });

  test('a reload keeps what is to be asked', () => {
    const made = asking('each exercise');
    while (made.player.setIndex === 0) made.player.tick(1);
    const again = playerOf({ blocks: twice });
    again.player.askAfter = 'each exercise';
    again.player.togglePause();
    expect(questions(again)[0]).toEqual([3, [0, 1, 2, 3]]);
  });

  test('a stop sign keeps what was worked and never as clean; a pain at a question is of the set that is asked about', () => {
    const stopped = asking('the session');
    while (stopped.player.setIndex < 2) stopped.player.tick(1);
    stopped.player.askPain();
    stopped.player.tellPain({ kind: 'nerve', place: 'back_of_thigh', side: 'left' });
    expect(stopped.sent('sets')).toMatchObject([
      { setIndex: 0, clean: false },
      { setIndex: 1, clean: false }
    ]);

    const later = asking('each exercise');
    later.runOut();
    later.player.clean();
    later.player.askPain();
    later.player.tellPain({ kind: 'too_strong', place: 'back_of_thigh', side: 'left' });
    expect(later.sent('pain')).toMatchObject([{ setIndex: 1, exerciseId: twice[0]!.exerciseId }]);
    later.player.afterAdvice();
    expect(later.sent('sets').at(-1)).toMatchObject({ setIndex: 1, clean: false });
    expect([later.player.mode, later.player.asked.index]).toEqual(['ask', 2]);
  });
});

describe('changed on the way', () => {
  const reps: Form = { kind: 'reps', spec: { reps: 3, liftS: 1, holdS: 2, lowerS: 1, restS: 1, peakPct: 40 } };
  const lifts = (most: number) => {
    const block = blockOf('front_leg_lift', ['left', 'right'], reps);
    return [{ ...block, work: block.work.map((w) => ({ ...w, most })) }];
  };

  test('one more is done, told as such, and offered for the other side; never past what the gate lets through', () => {
    const { player, runOut, sent } = playerOf({ blocks: lifts(5) });
    const before = player.phases.at(-1)!.endS;
    player.addMore();
    expect(player.phases.at(-1)!.endS).toBe(before + 5);
    player.addMore(9);
    expect([player.counted?.planned, player.mayAdd]).toEqual([5, false]);
    player.togglePause();
    runOut();
    player.clean();
    expect(sent('sets')[0]).toMatchObject({ side: 'left', figures: { done: 5, of: 3 }, plannedS: 24, actualS: 24 });
    expect([player.set.side, player.moreOnOther]).toEqual(['right', 2]);
    player.addMore(player.moreOnOther);
    expect([player.counted?.planned, player.moreOnOther]).toEqual([5, 0]);
  });

  test('where nothing gets harder there is no more', () => {
    const { player } = playerOf({ blocks: lifts(3) });
    expect(player.mayAdd).toBe(false);
    player.addMore();
    expect(player.counted?.planned).toBe(3);
  });

  test('the other side first, then the one that waited; a reload keeps it', () => {
    const { player, sent } = playerOf({ blocks: lifts(5) });
    player.swapSides();
    expect([player.set.side, player.next?.side]).toEqual(['right', 'left']);
    const again = playerOf({ blocks: lifts(5) }).player;
    expect([again.set.side, again.next?.side]).toEqual(['right', 'left']);
    leaveOut(player);
    expect(player.set.side).toBe('left');
    leaveOut(player);
    expect([player.mode, sent('finish')]).toEqual(['ended', [{ status: 'done' }]]);
  });

  test('one step easier by choice is told, and holds for the sets to come of that side', () => {
    const { player, runOut, sent } = playerOf();
    expect(player.mayEase).toBe(true);
    player.ease();
    player.togglePause();
    runOut();
    player.clean();
    expect(sent('sets')[0]).toMatchObject({ setting: { holdS: 20 }, plannedS: 20, figures: { easier: true } });
    expect(player.isEased).toBe(false);
  });

  test('after a set that went over the cap the next one of that side is one step easier, and a reload knows it', () => {
    const twice = blockOf('front_hamstring_cycle');
    const both = [{ ...twice, work: twice.work.map((work) => ({ ...work, sets: 2 })) }, blocks[2]!];
    const { player, runOut, sent } = playerOf({ blocks: both });
    player.togglePause();
    runOut();
    const at = player.asked;
    expect(player.easierNext).toMatchObject({ exerciseId: at.exerciseId, side: at.side, setNo: 2 });
    player.keepNotesAndEase({ sensation: 7, felt: 'expected', slipped: null });
    expect(player.easierNext).toBeNull();
    const again = playerOf({ blocks: both }).player;
    const eased = (p: Player) => p.sets.filter((s) => p.settingOf(s).holdS === 20).map((s) => [s.side, s.setNo]);
    expect([eased(player), eased(again)]).toEqual([[[at.side, 2]], [[at.side, 2]]]);
    expect(sent('sets')[0]).toMatchObject({ sensation: 7, setting: { holdS } });
  });

  test('where no easier step is left nothing is eased, and what was said is kept all the same', () => {
    const { player, runOut, sent } = playerOf();
    player.togglePause();
    runOut();
    expect(player.easierNext).toBeNull();
    player.keepNotesAndEase({ sensation: 7, felt: null, slipped: null });
    expect(sent('sets')).toHaveLength(1);
  });

  test('what is counted stands as planned unless it was said otherwise', () => {
    const { player, runOut, sent } = playerOf({ blocks: lifts(5) });
    player.togglePause();
    runOut();
    player.clean({ done: 2 });
    runOut();
    player.keepNotes({ sensation: 3, felt: 'expected', slipped: 'nothing' }, { effortSeen: 6, signs: ['trembling'] });
    const [left, right] = sent('sets') as { figures?: object }[];
    expect(left!.figures).toEqual({ done: 2, of: 3 });
    expect(right!.figures).toEqual({ effortSeen: 6, signs: ['trembling'] });
  });
});

describe('a set that ends where it is no longer clean', () => {
  const spec = { reps: 8, leastReps: 5, liftS: 2, holdS: 3, lowerS: 2, restS: 4, peakPct: 40 };
  const lifts = blockOf('front_leg_lift', ['left'], { kind: 'reps', spec });
  const start = (form: Form = lifts.work[0]!.form, more: Partial<Work> = {}) => {
    const made = playerOf({ blocks: [{ ...lifts, work: [{ ...lifts.work[0]!, form, ...more }] }, blocks[2]!] });
    made.player.togglePause();
    return made;
  };

  test('the last one is said: so many are over as were lowered, of the least that was asked for', () => {
    const { player, sent } = start();
    player.tick(6 * 11 + 7 + 1); // seven, and a second of the rest
    player.enough();
    expect(player.askedCount).toMatchObject({ planned: 5, done: 7 });
    player.clean();
    expect(sent('sets')).toEqual([expect.objectContaining({ clean: true, figures: { done: 7, of: 5 } })]);
  });

  test('run to its end it was the most; corrected by hand that counts', () => {
    const whole = start();
    whole.runOut();
    whole.player.clean();
    expect(whole.sent('sets')).toEqual([expect.objectContaining({ figures: { done: 8, of: 5 } })]);
    localStorage.clear();
    const told = start();
    told.runOut();
    told.player.clean({ done: 4 });
    expect(told.sent('sets')).toEqual([expect.objectContaining({ figures: { done: 4, of: 5 } })]);
  });

  test('seconds added to a hold make no repetition of themselves', () => {
    const { player } = start();
    player.tick(3);
    player.extend();
    player.tick(11);
    player.enough();
    expect(player.askedCount!.done).toBe(0);
  });

  test('the open variant is written with the set, so that its log stays its own', () => {
    const { player, sent } = start({ kind: 'reps', spec: { ...spec, allows: 'the pelvis may tip' } });
    player.enough();
    player.keepNotes({ sensation: 3, felt: null, slipped: null });
    expect(sent('sets')).toEqual([expect.objectContaining({ figures: { done: 0, of: 5, allows: 'the pelvis may tip' } })]);
  });

  test('the variant is written with the set', () => {
    const { player, sent } = start({ kind: 'reps', spec }, { variant: 'rear toes tucked under' });
    player.enough();
    player.keepNotes({ sensation: 3, felt: null, slipped: null });
    expect(sent('sets')).toEqual([expect.objectContaining({ figures: { done: 0, of: 5, variant: 'rear toes tucked under' } })]);
  });

  test('a hold until it eases ends by word, and counts as what it took', () => {
    const { player, sent } = start({ kind: 'hold', spec: { holdS: 60, goesBy: 'until eased' } });
    player.tick(35);
    player.enough();
    expect(player.askedShort).toBeNull();
    player.clean();
    const [log] = sent('sets') as { plannedS: number; actualS: number }[];
    expect(log!.plannedS).toBe(log!.actualS);
    expect(log!.plannedS).toBeLessThan(60);
    localStorage.clear();
    const plain = start({ kind: 'hold', spec: { holdS: 60 } });
    expect(plain.player.endsByWord).toBe(false);
  });

  test('counted lifts have no last one to say', () =>
    expect(start({ kind: 'reps', spec: { ...spec, leastReps: undefined } }).player.endsByWord).toBe(false));
});

describe('numbers that are read off', () => {
  const looked: Form = { kind: 'hold', spec: { holdS: 20, cue: 'measure' } };
  const tests = [blockOf('rotation_test', ['left', 'right'], looked), blocks.at(-1)!];

  test('are kept with the set and side they were read on, also when the page is opened again', () => {
    const { player, runOut, sent } = playerOf({ blocks: tests });
    player.togglePause();
    runOut();
    player.clean({ reachedCm: 21 });
    runOut();
    player.clean();
    expect(sent('sets')[0]).toMatchObject({ side: 'left', clean: true, figures: { reachedCm: 21 } });
    const read = [{ setIndex: 0, exerciseId: 'rotation_test', side: 'left', value: 21 }];
    expect(player.readings).toEqual(read);
    expect(playerOf({ blocks: tests }).player.readings).toEqual(read);
  });
});
