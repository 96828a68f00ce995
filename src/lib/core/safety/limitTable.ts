// The table of docs/safety.md, made from what the gate answers: which limit bars, holds or tells what, and what a stop locks.
import { exercises } from '../exercise/exercises';
import { limitKinds, type Limit, type LimitKind } from '../screen/limit';
import { painKinds, painPlaces } from '../screen/pain';
import { locksFrom } from '../screen/stop';
import { gate } from './gate';
import type { SafetyPerson } from './person';
import { limitText, stopPlaceText } from './text';

const sample = (kind: LimitKind, more: Partial<Limit> = {}): Limit => ({ kind, from: 'kept/an answer', ...more });

/** A limit of every kind, with figures as the Check gives them. */
export const sampleLimits: Readonly<Record<LimitKind, Limit>> = {
  ...(Object.fromEntries(limitKinds.map((kind) => [kind, sample(kind)])) as Record<LimitKind, Limit>),
  'effort cap': sample('effort cap', { value: 40 }),
  'sensation cap': sample('sensation cap', { value: 3 }),
  'warm-up at least': sample('warm-up at least', { value: 480 }),
  'contraction at most': sample('contraction at most', { value: 6 }),
  'deepening at most every': sample('deepening at most every', { value: 14 }),
  'rung at least': sample('rung at least', { value: 14 }),
  'joint end stop': sample('joint end stop', { motion: 'HF-KS', value: 100 }),
  'teach first, effort cap': sample('teach first, effort cap', { value: 30 }),
  'joint rests': sample('joint rests', { joint: 'knee' }),
  'no passive stretch of a line': sample('no passive stretch of a line', { line: 'hamstring' }),
  'no long hold of a line': sample('no long hold of a line', { line: 'hamstring' })
};

const nobody: SafetyPerson = {
  closed: null,
  limits: [],
  stops: [],
  told: [],
  legCm: { left: 90, right: 90 },
  reachedDeg: {},
  moves: [],
  flatHeldOn: { left: [], right: [] },
  lotusStage: 2,
  measuredOn: null,
  screenedOn: null
};

const askAll = (limits: readonly Limit[]) =>
  exercises.map((exercise) => ({
    exercise,
    gated: gate({
      exercise,
      side: exercise.sides === 'each' ? 'left' : null,
      setting: exercise.start,
      person: { ...nobody, limits },
      today: '2026-01-01'
    })
  }));

/** One row a kind of limit: how many exercises it bars, at how many it holds dials (and which), at how many it is told. */
export function limitRows(): string[][] {
  const without = new Map(askAll([]).map(({ exercise, gated }) => [exercise.id, gated]));
  return limitKinds.map((kind) => {
    const all = askAll([sampleLimits[kind]]);
    const barred = all.filter(({ exercise, gated }) => gated.bars.length > without.get(exercise.id)!.bars.length);
    const held = new Set<string>();
    for (const { exercise, gated } of all)
      for (const dial of exercise.dials)
        if (gated.ends[dial.id]?.at !== without.get(exercise.id)!.ends[dial.id]?.at) held.add(dial.name);
    const told = all.filter(({ gated }) =>
      [...gated.within, ...gated.remember].some((r) => (r.code === 'limit' || r.code === 'end stop') && r.limit.kind === kind)
    );
    return [limitText(sampleLimits[kind]), count(barred.length), [...held].slice(0, 6).join(', ') || '–', count(told.length)];
  });
}

const count = (n: number): string => (n === 0 ? '–' : n === exercises.length ? 'all' : String(n));

/** One row a kind of pain: what it ends, and what it locks until a named person clears it, told of the left side of a few places. */
export const stopRows = (): string[][] =>
  painKinds.map((kind) => {
    const at = (id: (typeof painPlaces)[number]['id']) =>
      locksFrom([{ kind: kind.id, place: id, side: 'left' }])
        .map(stopPlaceText)
        .join(' + ')
        .toLowerCase() || '–';
    return [kind.label, kind.action, at('knee'), at('groin'), at('chest'), at('nowhere')];
  });
