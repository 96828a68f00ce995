// A data table. Each way says what is written down for a trial, how it becomes a value, and its typical error (docs/sources.md#measuring-error).
import { limbElevationDeg } from '../geometry/limbElevation';
import { frogAbductionDeg, straddleDeg } from '../geometry/straddle';
import { trunkFoldDeg } from '../geometry/trunkFold';
import { bodyLengthIds, type BodyLengthId, type BodyLengths } from '../geometry/bodyLengths';

export const wayIds = [
  'tape',
  'raise',
  'stack',
  'inclinometer',
  'goniometer',
  'photo',
  'photo, line guessed',
  'photo height',
  'rise and run',
  'foot height',
  'heel span',
  'knee span',
  'breastbone height',
  'clock',
  'count',
  'level',
  'yes or no',
  'points'
] as const;
export type WayId = (typeof wayIds)[number];

export type Entries = Readonly<Record<string, number>>;
/** Lengths as bare numbers, for a formula. */
export type Lengths = Readonly<Record<BodyLengthId, number>>;
export const bareLengths = (lengths: BodyLengths): Lengths =>
  Object.fromEntries(bodyLengthIds.map((id) => [id, lengths[id].value])) as Lengths;
/** What a limb measure needs to know: which length hangs on the joint. */
export type Limb = 'legCm' | 'thighCm' | 'shankCm';

/** One number written down in a trial. Lengths are in cm, and shown in the unit of the studio. */
export type EntryField = Readonly<{
  id: string;
  label: string;
  unit: 'cm' | '°' | 'min' | 's' | '×' | '/10' | '';
  min: number;
  max: number;
  optional?: boolean;
}>;

/** The entry of a trial that says, with 1, that the limb lies beyond `Way.foldDeg`. It is seen and not read, so it has no error. */
export const pastEntry = 'past';

export type Way = Readonly<{
  id: WayId;
  label: string;
  fields: readonly EntryField[];
  /** The value at which the formula folds back, in degrees: on which side of it a limb lies, the eye has to say. */
  foldDeg?: number;
  /** Lengths of the body the formula uses. */
  uses: (limb: Limb) => readonly BodyLengthId[];
  value: (entries: Entries, lengths: Lengths, limb: Limb) => number;
  /**
   * Typical error. `trialSd` is that of a written number, carried through the formula; `daySd` is that of the value.
   * Null where no error is known: then a change is told without a verdict.
   */
  error: Readonly<{ trialSd: number; daySd: number; resolution: number }> | null;
}>;

/** How far the line from the hip to the top of the breastbone leans when the trunk is upright (assumption: docs/sources.md#assumptions). */
const breastboneLeanDeg = 9;

/** The value beyond the fold, where the trials of an occasion were mostly seen there. */
const beyond = (deg: number, foldDeg: number, entries: Entries): number =>
  (entries[pastEntry] ?? 0) >= 0.5 ? 2 * foldDeg - deg : deg;

const none = (): readonly BodyLengthId[] => [];
const cm = (id: string, label: string, min: number, max: number, optional = false): EntryField => ({
  id,
  label,
  unit: 'cm',
  min,
  max,
  ...(optional && { optional })
});
const tape = { trialSd: 0.8, daySd: 1.8, resolution: 0.5 };
/** A tape between points of a limb, where the value is an angle. */
const tapeAngle = { trialSd: 0.8, daySd: 2.5, resolution: 0.5 };
const angle = (id: WayId, label: string, error: NonNullable<Way['error']>, field = 'deg'): Way => ({
  id,
  label,
  fields: [{ id: field, label: 'angle', unit: '°', min: -90, max: 240 }],
  uses: none,
  value: (entries) => entries[field]!,
  error
});
const plain = (id: WayId, label: string, unit: EntryField['unit'], max: number): Way => ({
  id,
  label,
  fields: [{ id: 'value', label, unit, min: 0, max }],
  uses: none,
  value: ({ value }) => value!,
  error: null
});

export const ways: readonly Way[] = [
  {
    id: 'tape',
    label: 'Tape',
    fields: [cm('heightCm', 'height', -60, 200)],
    uses: none,
    value: ({ heightCm }) => heightCm!,
    error: tape
  },
  {
    id: 'raise',
    label: 'Tape, past flat',
    fields: [cm('raiseCm', 'raise under the heel', 0, 80)],
    uses: none,
    value: ({ raiseCm }) => -raiseCm! || 0,
    error: tape
  },
  {
    id: 'stack',
    label: 'Prop stack',
    fields: [cm('heightCm', 'height of the stack', 0, 150)],
    uses: none,
    value: ({ heightCm }) => heightCm!,
    // Half the step between stacks over √3; with the usual step of 2.5 cm. The service puts in the step of the real shelf.
    error: { trialSd: 2.5 / 2 / Math.sqrt(3), daySd: 1.8, resolution: 0.5 }
  },
  angle('inclinometer', 'Inclinometer', { trialSd: 1.5, daySd: 2.5, resolution: 1 }),
  angle('goniometer', 'Goniometer', { trialSd: 2.5, daySd: 3, resolution: 1 }),
  // Fields of their own: a number that was typed for another way is none of a picture.
  angle('photo', 'Photo', { trialSd: 1.5, daySd: 2.5, resolution: 0.5 }, 'photoDeg'),
  // A vertical that is not sure adds 1°, in squares.
  angle('photo, line guessed', 'Photo, line guessed', { trialSd: Math.hypot(1.5, 1), daySd: 2.5, resolution: 0.5 }, 'photoDeg'),
  {
    id: 'photo height',
    label: 'Photo',
    fields: [cm('photoCm', 'height', -60, 200)],
    uses: none,
    value: ({ photoCm }) => photoCm!,
    error: { trialSd: 1, daySd: 1.8, resolution: 0.1 }
  },
  {
    id: 'rise and run',
    label: 'Tape, rise and run',
    fields: [cm('riseCm', 'rise over the hip joint', -60, 150), cm('runCm', 'run along the floor', -150, 150, true)],
    foldDeg: 90,
    uses: (limb) => [limb],
    // With the run there is nothing to ask.
    value: (entries, lengths, limb) => {
      const { riseCm, runCm } = entries;
      const deg = limbElevationDeg({ riseCm: riseCm!, limbCm: lengths[limb], runCm });
      return runCm === undefined ? beyond(deg, 90, entries) : deg;
    },
    error: tapeAngle
  },
  {
    id: 'foot height',
    label: 'Tape, foot height',
    // Sitting: the shin hangs at zero, so the drop tells how far it has turned.
    fields: [cm('dropCm', 'ankle below the knee', -60, 80)],
    uses: () => ['shankCm'],
    value: ({ dropCm }, { shankCm }) => 90 - limbElevationDeg({ riseCm: dropCm!, limbCm: shankCm }),
    error: tapeAngle
  },
  {
    id: 'heel span',
    label: 'Tape, heel to heel',
    fields: [cm('heelSpanCm', 'heel to heel', 10, 260)],
    foldDeg: 180,
    uses: () => ['hipSpacingCm', 'legCm'],
    value: (entries, { hipSpacingCm, legCm }) =>
      beyond(straddleDeg({ heelSpanCm: entries.heelSpanCm!, hipSpacingCm, legCm }), 180, entries),
    error: tapeAngle
  },
  {
    id: 'knee span',
    label: 'Tape, knee to knee',
    fields: [cm('kneeSpanCm', 'knee to knee', 10, 150)],
    foldDeg: 90,
    uses: () => ['hipSpacingCm', 'thighCm'],
    value: (entries, { hipSpacingCm, thighCm }) =>
      beyond(frogAbductionDeg({ kneeSpanCm: entries.kneeSpanCm!, hipSpacingCm, thighCm }), 90, entries),
    error: tapeAngle
  },
  {
    id: 'breastbone height',
    label: 'Tape, breastbone and hip',
    fields: [cm('sternumHeightCm', 'breastbone', 0, 150), cm('hipHeightCm', 'hip joint', 0, 100)],
    uses: () => ['hipToSternumCm'],
    // The breastbone lies in front of the spine: upright the line to it already leans.
    value: ({ sternumHeightCm, hipHeightCm }, { hipToSternumCm }) =>
      trunkFoldDeg({ sternumHeightCm: sternumHeightCm!, hipHeightCm: hipHeightCm!, hipToSternumCm }) - breastboneLeanDeg,
    error: tapeAngle
  },
  plain('clock', 'Clock', 'min', 180),
  plain('count', 'Count', '×', 500),
  plain('level', 'Level', '', 20),
  plain('yes or no', 'Yes or no', '', 1),
  plain('points', 'Points', '/10', 10)
];

/** The way whose series a trial goes on: a split past flat goes on from its gap, a photo from a photo. */
export const comparesAs = (way: WayId): WayId => (way === 'raise' ? 'tape' : way === 'photo, line guessed' ? 'photo' : way);

/** Ways that are read from a picture. */
export const isPhoto = (way: WayId): boolean => way === 'photo' || way === 'photo, line guessed' || way === 'photo height';

export function wayOf(id: WayId): Way {
  const way = ways.find((w) => w.id === id);
  if (!way) throw new RangeError(`no way ${id}`);
  return way;
}
