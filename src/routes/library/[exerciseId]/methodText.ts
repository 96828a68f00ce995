import type { Exercise } from '$lib/core';

const methods: Readonly<Record<string, string>> = {
  'two phases':
    'Two phases. Press: the muscle that is being lengthened pushes out of the stretch, against something that does not give. Draw: the muscle on the other side pulls further into it. Effort comes up slowly, stays, and goes out slowly; in between the shape is kept and the breath goes on. The first rounds are light.',
  press:
    'One phase. The muscle that is being lengthened pushes out of the stretch, against something that does not give; effort comes up slowly and goes out slowly. Then it lets go, and the limb is taken a little further.',
  draw: 'One phase. The muscle on the other side pulls further into the stretch; effort comes up slowly and goes out slowly, and what was gained is kept.',
  'effort in place':
    'Effort in the shape, against nothing but the position itself: it comes up slowly, stays, and goes out slowly; the breath goes on.',
  hold: 'A still stretch at a mild, bearable pull. Time does the work; the breath out is longer than the breath in.',
  'active end':
    'The joint is moved to its edge by its own muscles and held there without help, so that the range that was reached is owned.',
  mobilise:
    'Movement through the range, small first, growing with the warmth; nothing is held at the end. Where hands or a strap help, it is a trace at the end of the movement.',
  'warm-up': 'Pulse and joints before anything is held: easy, brisk, out of breath a little.',
  settle: 'Rest in a shape that asks for nothing, until the breath is slow again.',
  test: 'The same test, set up the same way, before and after: what changed is read, not felt.',
  strengthen: 'Repetitions with more work than the edge alone asks for: a load, a kick, a lift.'
};

/** How an exercise of this kind is done, whatever the joint; undefined where it is done like nothing else. */
export function methodText({ press, draw, phases }: Pick<Exercise, 'press' | 'draw' | 'phases'>): string | undefined {
  if (press && draw) return methods['two phases'];
  if (press) return methods.press;
  if (draw) return methods.draw;
  return methods[phases[0] === 'contract-relax' ? 'effort in place' : (phases[0] ?? '')];
}
