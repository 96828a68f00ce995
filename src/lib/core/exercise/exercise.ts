import { sidesMeet, type Joint, type JointSide, type Line, type LineSide } from '../body/body';
import type { Push } from '../figure/arrows';
import type { PoseId } from '../figure/poses';
import type { MotionId } from '../body/motions';
import { equipmentOf, lacking, type EquipmentId } from '../props/equipment';
import type { SchoolId } from '../school/school';
import { otherSide, sides, type Side } from '../body/side';
import type { Span } from '../span';
import type { Dial, DialId, Setting } from './dial';
import type { Tempo } from './tempo';

/** A joint motion that a goal needs, by its code in the catalogue of motions. */
export type LinkId = MotionId;

/** Parts of a session, in their order. */
export const sessionParts = ['warm-up', 'mobilise', 'open', 'own', 'position', 'settle'] as const;
export type SessionPart = (typeof sessionParts)[number];

/** What an exercise is used for, in the order of a session. */
export const exercisePhases = [
  'warm-up',
  'mobilise',
  'hold',
  'contract-relax',
  'active end',
  'strengthen',
  'settle',
  'test'
] as const;
export type ExercisePhase = (typeof exercisePhases)[number];

/** Who moves the joint: its own muscles, with help, something outside, or nobody while muscles press. */
export const exerciseKinds = ['active', 'assisted', 'passive', 'isometric'] as const;
export type ExerciseKind = (typeof exerciseKinds)[number];

export const startPositions = [
  'standing',
  'lunge',
  'kneeling',
  'on all fours',
  'on a seat',
  'sitting',
  'in the split',
  'lying on the back',
  'lying on the front',
  'lying on the side',
  'any'
] as const;
export type StartPosition = (typeof startPositions)[number];

/** What a limit of a client may rule out. */
export const exerciseTraits = [
  'ballistic',
  'loaded stretch',
  'loaded roll-down',
  'rounded fold',
  'head down',
  'lotus',
  'heel-sit',
  'lever on the foot',
  'long time on the back',
  'partner',
  'end range',
  'past flat',
  'lean back',
  'narrow stance'
] as const;
export type ExerciseTrait = (typeof exerciseTraits)[number];

/** Roles of a motion in an exercise: taken further, worked by its own muscles, or only gone through or pressed against. */
export const moveRoles = ['opens', 'works', 'passes'] as const;
export type MoveRole = (typeof moveRoles)[number];

/** A motion on the side an exercise is done on or the opposite one. One motion may be opened and worked. */
export type Move = Readonly<{ motion: LinkId; on: 'same' | 'other'; role: MoveRole }>;

/** A thing to fetch. `words` says what it is for where the name alone does not. */
export type PropNeed = Readonly<{ id: EquipmentId; count: number; optional: boolean; words?: string }>;

/** A dose as one school gives it. What it does not say is not there; `unsure` marks figures that could not be made out with certainty: never a limit. */
export type Dose = Readonly<{
  school: SchoolId;
  holdS?: Span;
  reps?: Span;
  sets?: Span;
  rounds?: Span;
  breaths?: Span;
  contractionS?: Span;
  effortPct?: Span;
  loadKg?: Span;
  note?: string;
  unsure?: true;
}>;

export type Mistake = Readonly<{ mistake: string; fix: string }>;

export type Exercise = Readonly<{
  id: string;
  name: string;
  /** Other names in the trade. */
  aliases: readonly string[];
  /** The usual name in the trade, where ours differs. */
  standardTerm?: string;
  family: string;
  position: StartPosition;
  /** What it is used for, the usual first. */
  phases: readonly ExercisePhase[];
  kinds: readonly ExerciseKind[];
  /** Motions it is done for: those it opens or works on either side. */
  links: readonly LinkId[];
  /** Every motion of every limb it uses, passing ones too: what limits, stops and locks are held against. */
  moves: readonly Move[];
  /** How the other limb rests, where no joint of it moves or bears weight. */
  rests?: string;
  /** What it moves besides, that no goal measures. */
  also: readonly string[];
  sides: 'each' | 'both together' | 'alternating';
  /** Words after "left" or "right" that say which limb the side means. */
  sideWords: string;
  /** Ids of the goals whose position this is. */
  positionOf: readonly string[];
  /** The position its figure stands in; every exercise that ships has one. */
  pose?: PoseId;
  /** The numbers of that position where the movement begins and ends; of one alone, where it is held. A stack that gives the number comes first. */
  path?: readonly number[];
  /** What it loads, worked out from what it trains (bearing.ts); 'same' is the side it is done on, 'other' the opposite one. */
  loads: readonly Readonly<{ joint: Joint; on: 'same' | 'other' | 'middle' }>[];
  /** Lines it brings under tension at their length, by weight, help, swing, load or at the end of a range, worked out likewise. */
  lines: readonly Readonly<{ line: Line; on: 'same' | 'other' }>[];
  traits: readonly ExerciseTrait[];
  /** Things to fetch besides the stacks. */
  props: readonly PropNeed[];
  /** Where bone meets floor. */
  padding: readonly string[];
  setup: readonly string[];
  /** A circuit: the places it goes through in one go. */
  places?: readonly string[];
  press?: string;
  draw?: string;
  /** Which way the press and the draw go, for their arrows. */
  pressWays?: readonly Push[];
  drawWays?: readonly Push[];
  checks: readonly string[];
  felt: string;
  notFelt: string;
  /** Felt and harmless, so that nobody stops for it. */
  normal: readonly string[];
  mistakes: readonly Mistake[];
  why: string;
  cautions: readonly string[];
  stops: readonly string[];
  clothing?: string;
  /** Not for a public place. */
  privatePlace: boolean;
  /** The number a test reads off, in a few words, and its unit. */
  reads?: Readonly<{ what: string; unit: 'cm' | '°' }>;
  /** How one repetition goes, where it is repeated. */
  tempo?: Tempo;
  /** In the order they are moved. */
  dials: readonly Dial[];
  start: Setting;
  doses: readonly Dose[];
  /** Dials for which no figure is usual: they begin with what is ours. */
  asks: readonly DialId[];
  /** Harder neighbours as they are practised, and those that are only a reading across exercises. */
  harder: readonly string[];
  harderInferred: readonly string[];
  /** Easier neighbours that do not name it themselves: an own exercise names them, since shipped ones are not changed. */
  easier: readonly string[];
  /** What usually follows, which is order and not difficulty. */
  then: readonly string[];
  /** Ways to do it that are no harder and load the same, the usual first; what loads otherwise is an exercise of its own. */
  variants: readonly string[];
  /** The same set-up turned the other way. */
  mirrors?: string;
  /** Ordinary work of the trade, added where the collected practice had a gap. */
  added: boolean;
}>;

/** The part of a session an exercise belongs to. */
export function partOf({ phases, positionOf }: Pick<Exercise, 'phases' | 'positionOf'>): SessionPart {
  if (positionOf.length > 0) return 'position';
  switch (phases[0]) {
    case 'hold':
    case 'contract-relax':
      return 'open';
    case 'active end':
    case 'strengthen':
      return 'own';
    case 'settle':
      return 'settle';
    case 'test':
      return 'position';
    case 'mobilise':
      return 'mobilise';
    default:
      return 'warm-up';
  }
}

/** True for what is only looked at or read off, and trains nothing. */
export const isTest = ({ phases, positionOf }: Pick<Exercise, 'phases' | 'positionOf'>): boolean =>
  phases.length === 1 && phases[0] === 'test' && positionOf.length === 0;

/** Returns an exercise as it is in sessions for some goals: a position of none of them is a piece like any other. */
export function asPieceFor<E extends Pick<Exercise, 'positionOf'>>(exercise: E, goals: ReadonlySet<string>): E {
  return exercise.positionOf.some((id) => goals.has(id)) ? exercise : { ...exercise, positionOf: [] };
}

/** Things to fetch, in words. */
export const propWords = (exercise: Pick<Exercise, 'props'>): string[] =>
  exercise.props.filter((p) => !p.optional).map((p) => p.words ?? equipmentOf(p.id).name.toLowerCase());

/** Things it needs that are not at hand, nor anything that does in their place. */
export const lackedBy = ({ props }: Pick<Exercise, 'props'>, atHand: ReadonlySet<string>): EquipmentId[] =>
  lacking(
    props.filter((p) => !p.optional).map((p) => p.id),
    atHand
  );

/** The sides of the body something lies on when an exercise is done on a side; both where it is done with both, null in the middle. */
export function bodySides(on: 'same' | 'other' | 'middle', side: Side | null): readonly (Side | null)[] {
  if (on === 'middle') return [null];
  return side === null ? sides : [on === 'same' ? side : otherSide(side)];
}

/** The joints and sides an exercise loads when it is done on one side. */
export const loadedJoints = ({ loads }: Pick<Exercise, 'loads'>, side: Side | null): JointSide[] =>
  loads.flatMap(({ joint, on }) => bodySides(on, side).map((s) => ({ joint, side: s })));

/** The lines and sides an exercise stretches when it is done on one side. */
export const stretchedLines = ({ lines }: Pick<Exercise, 'lines'>, side: Side | null): LineSide[] =>
  lines.flatMap(({ line, on }) => bodySides(on, side).map((s) => ({ line, side: s })));

/** Whether an exercise done on a side loads a joint; a joint without a side is either one. */
export const loadsJoint = (exercise: Pick<Exercise, 'loads'>, side: Side | null, at: Readonly<Partial<JointSide>>): boolean =>
  loadedJoints(exercise, side).some((j) => j.joint === at.joint && sidesMeet(j.side, at.side));

/** Whether an exercise done on a side stretches a line; a line without a side is either one. */
export const stretchesLine = (exercise: Pick<Exercise, 'lines'>, side: Side | null, at: Readonly<Partial<LineSide>>): boolean =>
  stretchedLines(exercise, side).some((l) => l.line === at.line && sidesMeet(l.side, at.side));

/** The role of a motion nobody gave one: worked where its own muscles alone move the limb, else opened. */
export const usualRole = (kinds: readonly ExerciseKind[]): MoveRole => (kinds.every((k) => k === 'active') ? 'works' : 'opens');

export type MovedMotion = Readonly<{ motion: MotionId; side: Side }>;

const onBody = (moves: readonly Move[], side: Side | null): MovedMotion[] =>
  distinct(moves.flatMap(({ motion, on }) => bodySides(on, side).map((s) => ({ motion, side: s! }))));

/** The motions and sides of the body an exercise moves when it is done on one side, whatever it does with them. */
export const movedMotions = ({ moves }: Pick<Exercise, 'moves'>, side: Side | null): MovedMotion[] => onBody(moves, side);

/** The motions and sides of the body an exercise done on one side is credited with: those it opens or works. */
export const trainedMotions = ({ moves }: Pick<Exercise, 'moves'>, side: Side | null): MovedMotion[] =>
  onBody(
    moves.filter((m) => m.role !== 'passes'),
    side
  );

/** The motions of one role, each once, whichever limb makes them. */
export const motionsOfRole = ({ moves }: Pick<Exercise, 'moves'>, ...roles: readonly MoveRole[]): MotionId[] => [
  ...new Set(moves.filter((m) => roles.includes(m.role)).map((m) => m.motion))
];

/** Each of a list once, alike by what they say. */
export const distinct = <T>(list: readonly T[]): T[] => [...new Map(list.map((x) => [JSON.stringify(x), x])).values()];
