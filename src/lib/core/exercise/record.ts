import { motionOf } from '../goal/motions';
import type { EquipmentId } from '../props/equipment';
import type { Dial, Setting } from './dial';
import type { Exercise, Joint, Line, PropNeed } from './exercise';

type LoadWord = Joint | `other ${Joint}`;
type LineWord = Line | `other ${Line}`;

/** One record of a family file: what is usual is left out, and filled in here. */
export type ExerciseRecord = Readonly<
  Pick<Exercise, 'id' | 'name' | 'position' | 'phases' | 'kinds' | 'links' | 'setup' | 'checks' | 'felt' | 'why'> &
    Partial<Omit<Exercise, 'loads' | 'lines' | 'mistakes' | 'family' | 'stops'>> & {
      loads?: readonly LoadWord[];
      lines?: readonly LineWord[];
      /** What goes wrong, and what mends it. */
      mistakes?: readonly (readonly [mistake: string, fix: string])[];
      /** Besides the stops that every exercise has. */
      stops?: readonly string[];
    }
>;

export type Family = Readonly<{ id: string; name: string; exercises: readonly ExerciseRecord[] }>;

export const need = (id: EquipmentId, words?: string, count = 1): PropNeed => ({
  id,
  count,
  optional: false,
  ...(words && { words })
});
export const may = (id: EquipmentId, words?: string): PropNeed => ({ ...need(id, words), optional: true });

const painStops = [
  'Sharp or sudden pain, or a pop: stop the session.',
  'Tingling, numbness, or pain that spreads: stop the session.'
] as const;
const boneStop = 'Ache at the sit-bone or groin, at the bone: stop this stretch.';
const kneeStop = 'Pain inside the knee, locking or giving way: stop.';
const pinchStop = 'A pinch on the closing side: come out a little. Twice: leave it.';

/** A record with everything in it. */
export function exerciseFrom(record: ExerciseRecord, family: string): Exercise {
  const loads = record.loads ?? usualLoads(record);
  const loadsOf = loads
    .map((word) => onSide<Joint>(word))
    .map(({ what, on }) => ({
      joint: what,
      on: what === 'back' ? ('middle' as const) : on
    }));
  const dials = record.dials ?? [];
  const asks = record.asks ?? [];
  const sides = record.sides ?? 'each';
  return {
    aliases: [],
    also: [],
    sideWords: sides === 'each' ? 'side' : '',
    positionOf: [],
    traits: [],
    props: [],
    padding: [],
    notFelt: 'any joint',
    normal: usualNormal(record),
    cautions: [],
    privatePlace: false,
    doses: [],
    harder: [],
    harderInferred: [],
    easier: [],
    then: [],
    variants: [],
    added: false,
    ...record,
    sides,
    dials,
    asks,
    start: { ...startOf(dials, asks), ...record.start },
    mistakes: (record.mistakes ?? []).map(([mistake, fix]) => ({ mistake, fix })),
    family,
    loads: loadsOf,
    lines: (record.lines ?? []).map((word) => onSide<Line>(word)).map(({ what, on }) => ({ line: what, on })),
    stops: stopsOf(
      record,
      loadsOf.some((l) => l.joint === 'knee')
    )
  };
}

function onSide<T extends string>(word: T | `other ${T}`): { what: T; on: 'same' | 'other' } {
  return word.startsWith('other ') ? { what: word.slice(6) as T, on: 'other' } : { what: word as T, on: 'same' };
}

const loadable: readonly string[] = ['hip', 'knee', 'ankle'] satisfies Joint[];

/** The joints of the motions it trains. */
const usualLoads = ({ links }: ExerciseRecord): Joint[] => [
  ...new Set(links.map((id) => motionOf(id).joint).filter((joint): joint is 'hip' | 'knee' | 'ankle' => loadable.includes(joint)))
];

/** Every exercise starts at its easiest; what nobody gives a figure for, and what a measure sets, is not set. */
function startOf(dials: readonly Dial[], asks: readonly string[]): Setting {
  const usual = dials.filter((d) => !d.stack && !asks.includes(d.id));
  return Object.fromEntries(usual.map((d) => [d.id, d.harder === 'up' ? d.min : d.max]));
}

function usualNormal({ kinds, links }: ExerciseRecord): string[] {
  const turns = links.some((l) => l === 'HER90' || l === 'HIR90' || l === 'HER0' || l === 'HIR0');
  return [
    ...(kinds.includes('isometric') || kinds.includes('active') ? ['trembling', 'a cramp in the working muscle'] : []),
    ...(turns ? ['a click without pain'] : []),
    ...(kinds.includes('passive') ? ['a stretch that eases with the breath'] : [])
  ];
}

function stopsOf({ kinds, links, stops = [], loads }: ExerciseRecord, loadsKnee: boolean): string[] {
  if (links.length === 0 && loads === undefined) return [...stops, ...painStops];
  const passive = kinds.includes('passive') || kinds.includes('isometric') || kinds.includes('assisted');
  const hip = links.some((l) => motionOf(l).joint === 'hip');
  // What is this exercise's own is said first; how to come out is said last.
  const own = stops.filter((s) => /stop/i.test(s));
  return [
    ...own,
    ...(kinds.includes('active') && !passive && hip ? [pinchStop] : []),
    ...painStops,
    ...(passive && hip ? [boneStop] : []),
    ...(loadsKnee ? [kneeStop] : []),
    ...stops.filter((s) => !own.includes(s))
  ];
}
