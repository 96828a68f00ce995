import { motionOf } from '../body/motions';
import type { EquipmentId } from '../props/equipment';
import type { Dial, Setting } from './dial';
import { hasNoSide, type Joint, type Line } from '../body/body';
import { linesOf, loadsOf } from './bearing';
import { tempoDials, tempoOf } from './tempo';
import { wayOutOf, wayOutTexts } from './wayOut';
import {
  distinct,
  motionsOfRole,
  moveRoles,
  type Exercise,
  type LinkId,
  type Move,
  type MoveRole,
  type PropNeed
} from './exercise';

type LoadWord = Joint | `other ${Joint}`;
type LineWord = Line | `other ${Line}`;
type MoveWord = LinkId | `other ${LinkId}`;

/** One record of a family file: what is usual is left out, and filled in here. */
export type ExerciseRecord = Readonly<
  Pick<Exercise, 'id' | 'name' | 'position' | 'phases' | 'kinds' | 'setup' | 'checks' | 'felt' | 'why'> &
    Partial<Omit<Exercise, 'links' | 'moves' | 'loads' | 'lines' | 'mistakes' | 'family' | 'stops'>> & {
      /** Motions it takes further, of the side's own limb or the other one. */
      opens?: readonly MoveWord[];
      /** Motions its own muscles work. */
      works?: readonly MoveWord[];
      /** Motions it only goes through, is placed in or presses against. */
      passes?: readonly MoveWord[];
      /** Besides what follows from the motions and the position. */
      loads?: readonly LoadWord[];
      lines?: readonly LineWord[];
      /** What would follow and is not so, each with the reason. */
      spares?: Readonly<Partial<Record<LoadWord | LineWord, string>>>;
      /** What goes wrong, and what mends it. */
      mistakes?: readonly (readonly [mistake: string, fix: string])[];
      /** Besides the stops that every exercise has. */
      stops?: readonly string[];
    }
>;

/** What ships has a figure. */
type ShippedRecord = ExerciseRecord & Required<Pick<Exercise, 'pose'>>;

export type Family = Readonly<{ id: string; name: string; exercises: readonly ShippedRecord[] }>;

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
const wristStop = 'A pinch on the closing side of the wrist: less weight. Twice: leave it.';

const usualStops: ReadonlySet<string> = new Set([...painStops, boneStop, kneeStop, pinchStop, wristStop, ...wayOutTexts]);
/** The stops an exercise has besides those that follow from what it trains. */
export const addedStops = ({ stops }: Pick<Exercise, 'stops'>): string[] => stops.filter((s) => !usualStops.has(s));

/** A record with everything in it. */
export function exerciseFrom({ spares, opens, works, passes, ...record }: ExerciseRecord, family: string): Exercise {
  const moves = movesFrom({ opens, works, passes });
  const links = motionsOfRole({ moves }, 'opens', 'works');
  const sides = record.sides ?? 'each';
  const traits = record.traits ?? [];
  const trains = { ...record, moves, sides, traits };
  const isSpared = (what: string, on: string) => spares?.[(on === 'other' ? `other ${what}` : what) as LoadWord] !== undefined;
  const more = (record.loads ?? []).map((word) => onSide<Joint>(word));
  const loads = distinct([
    ...loadsOf(trains).filter(({ joint, on }) => !isSpared(joint, on)),
    ...more.map(({ what, on }) => ({ joint: what, on: hasNoSide(what) ? ('middle' as const) : on }))
  ]);
  const lines = distinct([
    ...linesOf(trains).filter(({ line, on }) => !isSpared(line, on)),
    ...(record.lines ?? []).map((word) => onSide<Line>(word)).map(({ what, on }) => ({ line: what, on }))
  ]);
  const wayOut = wayOutOf({ ...record, moves, traits, positionOf: record.positionOf ?? [] });
  // One of the studio's own has the dials it was written with.
  const tempo = record.tempo ?? tempoOf(record.id);
  const dials = [...(record.dials ?? []), ...(record.tempo ? [] : tempoDials(tempo))];
  const asks = record.asks ?? [];
  return {
    aliases: [],
    also: [],
    sideWords: sides === 'each' ? 'side' : '',
    positionOf: [],
    props: [],
    padding: [],
    notFelt: 'any joint',
    normal: usualNormal({ ...record, moves }),
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
    links,
    moves,
    sides,
    traits,
    ...(tempo && { tempo }),
    dials,
    asks,
    start: { ...startOf(dials, asks), ...record.start },
    mistakes: (record.mistakes ?? []).map(([mistake, fix]) => ({ mistake, fix })),
    family,
    loads,
    lines,
    stops: [
      ...stopsOf(
        { ...record, moves },
        loads.some((l) => l.joint === 'knee')
      ),
      ...(wayOut ? [wayOut] : [])
    ]
  };
}

const movesFrom = (words: Readonly<Partial<Record<MoveRole, readonly MoveWord[]>>>): Move[] =>
  moveRoles.flatMap((role) =>
    (words[role] ?? []).map((word) => onSide<LinkId>(word)).map(({ what, on }) => ({ motion: what, on, role }))
  );

function onSide<T extends string>(word: T | `other ${T}`): { what: T; on: 'same' | 'other' } {
  return word.startsWith('other ') ? { what: word.slice(6) as T, on: 'other' } : { what: word as T, on: 'same' };
}

/** Every exercise starts at its easiest; what nobody gives a figure for, and what a measure sets, is not set. */
function startOf(dials: readonly Dial[], asks: readonly string[]): Setting {
  const usual = dials.filter((d) => !d.stack && !asks.includes(d.id));
  return Object.fromEntries(usual.map((d) => [d.id, d.harder === 'up' ? d.min : d.max]));
}

function usualNormal({ kinds, moves }: Pick<Exercise, 'kinds' | 'moves'>): string[] {
  const turns = moves.some(({ motion: m }) => m === 'HER90' || m === 'HIR90' || m === 'HER0' || m === 'HIR0');
  return [
    ...(kinds.includes('isometric') || kinds.includes('active') ? ['trembling', 'a cramp in the working muscle'] : []),
    ...(turns ? ['a click without pain'] : []),
    ...(kinds.includes('passive') ? ['a stretch that eases with the breath'] : [])
  ];
}

function stopsOf(
  { kinds, moves, stops = [], loads }: Pick<ExerciseRecord, 'kinds' | 'stops' | 'loads'> & Pick<Exercise, 'moves'>,
  loadsKnee: boolean
): string[] {
  if (moves.length === 0 && loads === undefined && !loadsKnee) return [...stops, ...painStops];
  const passive = kinds.includes('passive') || kinds.includes('isometric') || kinds.includes('assisted');
  const hip = moves.some((m) => motionOf(m.motion).joint === 'hip');
  const wrist = moves.some((m) => motionOf(m.motion).joint === 'wrist');
  // What is this exercise's own is said first; how to come out is said last.
  const own = stops.filter((s) => /stop/i.test(s));
  return [
    ...own,
    ...(hip ? [pinchStop] : []),
    ...(wrist ? [wristStop] : []),
    ...painStops,
    ...(passive && hip ? [boneStop] : []),
    ...(loadsKnee ? [kneeStop] : []),
    ...stops.filter((s) => !own.includes(s))
  ];
}
