import type { LengthUnit } from '$lib/contract/fields';
import { dialAtRung, levelName, type Exercise, type Work } from '$lib/core';
import { dialText } from '$lib/ui/dialText';
import { holdText } from '$lib/words/holdWords';
import { clockText, degText, lengthText, plural } from '$lib/ui/format';

/** What is done on one side, in a line: sets, holds, rounds, efforts. */
export function doseText({ form, sets }: Pick<Work, 'form' | 'sets'>): string {
  const times = sets > 1 ? `${sets} × ` : '';
  switch (form.kind) {
    case 'cycle': {
      const { holdS, rounds, press, draw, finalSettleS } = form.spec;
      const efforts = [press && `press ${press.peakPct} %`, draw && `draw ${draw.peakPct} %`].filter(Boolean).join(', ');
      // A way that holds at its end tells the hold at its end.
      const last = draw === undefined && finalSettleS > holdS ? `, then hold ${finalSettleS} s` : '';
      return `${times}${last ? '' : `hold ${holdText(holdS, form.spec.hold)}, `}${plural(rounds, 'round')}: ${efforts}${last}`;
    }
    case 'reps': {
      const { reps, leastReps, holdS, lastHoldS, assisted, letGo, atDeg, deepest, allows, bothWays } = form.spec;
      const one = assisted ? 'repeat' : letGo ? 'let-go' : 'lift';
      const many = leastReps === undefined ? plural(reps, one) : `${leastReps} to ${plural(reps, one)}`;
      const more = [
        lastHoldS === undefined || reps === 1 ? '' : `the last ${lastHoldS} s`,
        atDeg === undefined ? '' : `at ${degText(atDeg)}`,
        deepest
          ? `${(deepest.times ?? 1) > 1 ? `${deepest.times} times` : 'then'} press ${deepest.peakPct} % for ${deepest.holdS} s`
          : '',
        allows === undefined ? '' : `open: ${allows}`
      ].filter(Boolean);
      if (holdS === 0)
        return [
          `${times}${bothWays ? `${reps} each way` : leastReps === undefined ? `${reps} times` : `${leastReps} to ${reps} times`}`,
          ...more
        ].join(', ');
      return [`${times}${reps === 1 ? `hold ${holdS} s` : `${many} of ${holdS} s`}`, ...more].join(', ');
    }
    case 'hold':
      return `${times}${form.spec.moving ? 'move ' : ''}${holdText(form.spec.holdS, form.spec, form.spec.holdS < 120 ? `${form.spec.holdS} s` : `${clockText(form.spec.holdS)} minutes`)}`;
    case 'breaths': {
      const { passes = 1, breaths, effortPct, places } = form.spec;
      const inEach = places ? ` in each of ${places.length} places` : '';
      return `${times}${passes > 1 ? `${passes} × ` : ''}${plural(breaths, 'breath')}${inEach}${effortPct > 0 ? ', lightly at work' : ''}`;
    }
    case 'pulses': {
      const { sets: passes, pulses, holdS, bothWays } = form.spec;
      const moved = pulses > 0 ? (bothWays ? `${pulses} each way` : `${pulses} times`) : '';
      const held = holdS > 0 ? `hold ${holdS} s` : '';
      return `${times}${passes > 1 ? `${passes} × ` : ''}${[moved, held].filter(Boolean).join(', ')}`;
    }
    case 'flow':
      return '';
  }
}

/** Where it stands besides: heights, levels and loads, each by its name. */
export function heightText(
  { dials }: Pick<Exercise, 'dials'>,
  { stacks = [], setting, form }: Pick<Work, 'stacks' | 'setting' | 'form'>,
  unit: LengthUnit
): string {
  const parts = dials.flatMap((dial) => {
    const rung = stacks.find((s) => s.dialId === dial.id)?.rung;
    if (rung && dial.stack) {
      const under = rung.under === 'floor' ? dial.stack.under : rung.under;
      return [`${dialText(dial, dialAtRung(dial, rung), unit)} under the ${under}`];
    }
    const at = setting[dial.id];
    if (dial.stack || at === undefined) return [];
    if (dial.kind === 'level') return at > 0 ? [levelName(dial, at)] : [];
    return dial.unit === 'cm' || dial.unit === 'kg' || dial.unit === '°' ? [`${dial.name} ${dialText(dial, at, unit)}`] : [];
  });
  if (form.kind === 'reps' && form.spec.atCm !== undefined) parts.push(`heel at ${lengthText(form.spec.atCm, unit, 0)}`);
  return parts.map((p) => `, ${p}`).join('');
}
