import { expect, test } from 'vitest';
import { doseText } from './doseText';

const effort = (peakPct: number) => ({ rampUpS: 5, holdS: 5, rampDownS: 3, peakPct });
const cycle = { holdS: 60, turnS: 0, settleS: 10, finalSettleS: 20 };

test.each([
  [{ sets: 1, form: { kind: 'hold', spec: { holdS: 45 } } }, '45 s'],
  [{ sets: 3, form: { kind: 'hold', spec: { holdS: 45 } } }, '3 × 45 s'],
  [
    { sets: 1, form: { kind: 'cycle', spec: { ...cycle, rounds: 2, press: effort(40), draw: effort(30) } } },
    'hold 60 s, 2 rounds: press 40 %, draw 30 %'
  ],
  [{ sets: 2, form: { kind: 'cycle', spec: { ...cycle, rounds: 1, press: effort(40) } } }, '2 × hold 60 s, 1 round: press 40 %']
] as const)('%j', (work, text) => expect(doseText(work)).toBe(text));
