import { effortsOf, type CornerId, type CycleSpec, type Effort } from '$lib/core';
import { deepeningWords, resistanceWords } from '$lib/words/cueWords';

/** A pause in the unit it is counted in. */
export function pauseText(s: number, breathS: number | undefined): string {
  if (breathS === undefined) return `${s} s`;
  const breaths = Math.round(s / breathS);
  return `${breaths} ${breaths === 1 ? 'breath' : 'breaths'}`;
}

const effortText = (e: Effort | undefined): string =>
  e ? `${e.rampUpS} s up, ${e.holdS} s at ${e.peakPct} %, ${e.rampDownS} s down` : 'none';

/** A cycle figure by figure, in words; the order is that of the page. */
export function cycleLines(spec: CycleSpec): { label: string; text: string }[] {
  const byRound = (of: (round: number) => string) => Array.from({ length: spec.rounds }, (_, i) => of(i)).join(', ');
  const efforts = (kind: 'press' | 'draw') =>
    byRound((i) => {
      const { peakPct = 0, holdS = 0 } = effortsOf(spec, i)[kind] ?? {};
      return holdS === spec[kind]!.holdS ? `${peakPct} %` : `${peakPct} % for ${holdS} s`;
    });
  const deeper = (own = spec.deepening) => (own ? deepeningWords[own] : 'breathing out');
  const rounds = spec.perRound ?? [];
  const pause = (s: number) => pauseText(s, spec.breathS);
  return [
    { label: 'Hold first', text: `${spec.holdS} s${spec.holdPct ? ` at ${Math.abs(spec.holdPct)} %` : ''}` },
    { label: 'Press', text: effortText(spec.press) },
    { label: 'Draw', text: effortText(spec.draw) },
    { label: 'Order', text: spec.drawFirst ? 'draw, then press' : 'press, then draw' },
    { label: 'Effort climbs', text: spec.stepPct === undefined ? 'smoothly' : `in steps of ${spec.stepPct} %` },
    { label: 'Between press and draw', text: pause(spec.turnS) },
    { label: 'Settle', text: pause(spec.settleS) },
    { label: 'Settle at the end', text: pause(spec.finalSettleS) },
    { label: 'Rounds', text: `${spec.rounds}${spec.mostRounds === undefined ? '' : `, up to ${spec.mostRounds}`}` },
    ...(spec.press ? [{ label: 'Press, round by round', text: efforts('press') }] : []),
    ...(spec.draw ? [{ label: 'Draw, round by round', text: efforts('draw') }] : []),
    { label: 'Between rounds', text: spec.leaves ? 'out of the position' : 'stay in it' },
    { label: 'Against', text: spec.resistance ? resistanceWords[spec.resistance] : 'as the exercise says' },
    {
      label: 'Deeper by',
      text: rounds.some((r) => r.deepening) ? byRound((i) => deeper(rounds[i]?.deepening)) : deeper()
    },
    { label: 'Whole body', text: spec.brace ? 'tightened' : 'at ease' },
    { label: 'Every second round', text: spec.secondWay ?? 'the same way' }
  ];
}

/** What changes from one cycle to another, figure by figure. */
export function cycleChanges(from: CycleSpec, to: CycleSpec): { label: string; from: string; to: string }[] {
  const before = new Map(cycleLines(from).map((l) => [l.label, l.text]));
  const after = new Map(cycleLines(to).map((l) => [l.label, l.text]));
  return [...new Set([...before.keys(), ...after.keys()])]
    .map((label) => ({ label, from: before.get(label) ?? 'none', to: after.get(label) ?? 'none' }))
    .filter((c) => c.from !== c.to);
}

const corners: Readonly<Record<string, string>> = {
  hold: 'End of the first hold',
  'press up': 'Press is built up',
  press: 'Press ends',
  'press down': 'Press is let go',
  turn: 'End of the turn',
  'draw up': 'Draw is built up',
  draw: 'Draw ends',
  'draw down': 'Draw is let go',
  settle: 'End of settling',
  'last settle': 'End of the last settling'
};
export const cornerText = (id: CornerId): string => {
  const own = /^(press|draw) of round (\d+)$/.exec(id);
  return own ? `${own[1] === 'press' ? 'Press' : 'Draw'} of round ${Number(own[2]) + 1}` : corners[id]!;
};
