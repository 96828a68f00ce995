// A data table with its two readers. Kinds and consequences are common practice, the cautious side (docs/sources.md#screening).
import type { Joint, Line } from '../body/body';
import type { Side } from '../body/side';

/** What a kind of pain ends: nothing, the set, the exercise for today, the passive stretch of a line, or the session. */
export type PainAction = 'carry on' | 'ease' | 'stop exercise' | 'stop line' | 'stop session' | 'urgent';

export type PainKindId =
  | 'stretch_or_work'
  | 'tremble_click_cramp'
  | 'too_strong'
  | 'pinch'
  | 'joint'
  | 'bone_attachment'
  | 'sharp_pop'
  | 'nerve'
  | 'locking'
  | 'afterwards'
  | 'urgent_sign';

export type PainKind = Readonly<{ id: PainKindId; label: string; action: PainAction; locks: boolean; advice: string }>;

export const painKinds: readonly PainKind[] = [
  { id: 'stretch_or_work', label: 'Muscle stretch or work', action: 'carry on', locks: false, advice: 'Fine. Carry on.' },
  {
    id: 'tremble_click_cramp',
    label: 'Trembling, painless click, cramp that eases',
    action: 'carry on',
    locks: false,
    advice: 'Fine. Carry on when it eases.'
  },
  { id: 'too_strong', label: 'Stretch too strong', action: 'ease', locks: false, advice: 'Come up, take the easier setting.' },
  {
    id: 'pinch',
    label: 'Pinch or pressure on the closing side',
    action: 'ease',
    locks: false,
    advice: 'Stay short of it. Twice: leave this exercise and refer.'
  },
  { id: 'joint', label: 'Pain in the joint', action: 'stop exercise', locks: false, advice: 'This exercise ends for today.' },
  {
    id: 'bone_attachment',
    label: 'At the bone where the muscle starts: sit-bone, groin',
    action: 'stop line',
    locks: false,
    advice: 'This line is not stretched passively until it is quiet. Refer if it stays two weeks.'
  },
  {
    id: 'sharp_pop',
    label: 'Sharp or sudden, a pop',
    action: 'stop session',
    locks: true,
    advice: 'The session ends. See a clinician before it is trained again.'
  },
  {
    id: 'nerve',
    label: 'Spreading, electric, numb, tingling',
    action: 'stop session',
    locks: true,
    advice: 'The session ends. See a clinician before it is trained again.'
  },
  {
    id: 'locking',
    label: 'Locking or giving way',
    action: 'stop session',
    locks: true,
    advice: 'The session ends. See a clinician before it is trained again.'
  },
  {
    id: 'afterwards',
    label: 'Pain afterwards or next day',
    action: 'ease',
    locks: false,
    advice: 'One step easier. A second time: it is taken out.'
  },
  {
    id: 'urgent_sign',
    label: 'An urgent sign',
    action: 'urgent',
    locks: true,
    advice: 'Stop. Get medical help now.'
  }
];

/** The signs that need medical help at once, wherever they are felt (common practice, the cautious side). */
export const urgentSigns = [
  'numb between the legs',
  'cannot bear weight',
  'a hot and swollen calf',
  'chest pain',
  'fainting',
  'a sudden and severe headache',
  'sudden breathlessness'
] as const;
/** All of them, to begin a sentence with. */
export const urgentSignsText = `N${urgentSigns.join(', ').slice(1)}`;

export function painKindOf(id: PainKindId): PainKind {
  const kind = painKinds.find((k) => k.id === id);
  if (!kind) throw new RangeError(`no pain kind ${id}`);
  return kind;
}

/**
 * Places on the body that are offered, each with the joint it counts for and the lines it may take out. `vital` is where a stop
 * sign is never the joint's alone; `view` and `at` say where it is on the drawing: from in front or behind, across from the
 * middle and down from the crown, in hundredths of the height.
 */
export type PainPlace = Readonly<{
  id: PainPlaceId;
  label: string;
  joint: Joint | null;
  sided: boolean;
  lines: readonly Line[];
  vital?: true;
  view?: 'front' | 'back';
  at?: readonly [across: number, down: number];
}>;
export const painPlaceIds = [
  'head',
  'neck',
  'chest',
  'shoulder',
  'elbow',
  'forearm',
  'wrist_hand',
  'front_of_hip',
  'groin',
  'front_of_thigh',
  'inner_thigh',
  'knee',
  'shin',
  'lower_leg',
  'upper_back',
  'back',
  'sit_bone',
  'outer_hip',
  'back_of_thigh',
  'nowhere'
] as const;
export type PainPlaceId = (typeof painPlaceIds)[number];

const none: readonly Line[] = [];
export const painPlaces: readonly PainPlace[] = [
  { id: 'head', label: 'Head', joint: 'neck', sided: false, lines: none, vital: true, view: 'front', at: [0, 5] },
  { id: 'neck', label: 'Neck', joint: 'neck', sided: false, lines: none, view: 'back', at: [0, 15] },
  { id: 'chest', label: 'Chest', joint: null, sided: false, lines: none, vital: true, view: 'front', at: [0, 27] },
  { id: 'shoulder', label: 'Shoulder', joint: 'shoulder', sided: true, lines: none, view: 'front', at: [12, 20] },
  { id: 'elbow', label: 'Elbow', joint: 'elbow', sided: true, lines: none, view: 'front', at: [17, 36] },
  { id: 'forearm', label: 'Forearm', joint: 'wrist', sided: true, lines: ['forearm'], view: 'front', at: [18.5, 43] },
  { id: 'wrist_hand', label: 'Wrist, hand', joint: 'wrist', sided: true, lines: ['forearm'], view: 'front', at: [20, 50] },
  {
    id: 'front_of_hip',
    label: 'Front of the hip',
    joint: 'hip',
    sided: true,
    lines: ['hip flexor'],
    view: 'front',
    at: [10, 48]
  },
  { id: 'groin', label: 'Groin', joint: 'hip', sided: true, lines: ['inner thigh', 'hip flexor'], view: 'front', at: [4, 55] },
  {
    id: 'front_of_thigh',
    label: 'Front of the thigh',
    joint: 'hip',
    sided: true,
    lines: ['hip flexor'],
    view: 'front',
    at: [8, 63]
  },
  {
    id: 'inner_thigh',
    label: 'Inner thigh',
    joint: 'hip',
    sided: true,
    lines: ['inner thigh'],
    view: 'front',
    at: [4, 69]
  },
  { id: 'knee', label: 'Knee', joint: 'knee', sided: true, lines: none, view: 'front', at: [8, 75] },
  { id: 'shin', label: 'Shin', joint: 'ankle', sided: true, lines: none, view: 'front', at: [8, 86] },
  { id: 'lower_leg', label: 'Calf, ankle, foot', joint: 'ankle', sided: true, lines: ['calf'], view: 'back', at: [8, 86] },
  { id: 'upper_back', label: 'Upper back', joint: 'back', sided: false, lines: none, view: 'back', at: [0, 28] },
  { id: 'back', label: 'Low back', joint: 'back', sided: false, lines: none, view: 'back', at: [0, 40] },
  { id: 'outer_hip', label: 'Outer hip, seat', joint: 'hip', sided: true, lines: ['outer hip'], view: 'back', at: [11, 48] },
  { id: 'sit_bone', label: 'Sit-bone', joint: 'hip', sided: true, lines: ['hamstring'], view: 'back', at: [5, 54] },
  { id: 'back_of_thigh', label: 'Back of the thigh', joint: 'hip', sided: true, lines: ['hamstring'], view: 'back', at: [8, 64] },
  { id: 'nowhere', label: 'Nowhere in particular', joint: null, sided: false, lines: none }
];

export function painPlaceOf(id: PainPlaceId): PainPlace {
  const place = painPlaces.find((p) => p.id === id);
  if (!place) throw new RangeError(`no pain place ${id}`);
  return place;
}

/** How strong a pain is, of 10: up to 3, 4 to 6, 7 and more. */
export const painGrades = ['mild', 'moderate', 'severe'] as const;
export type PainGrade = (typeof painGrades)[number];

/** A pain as it is told; `grade` where somebody said how strong it is. */
export type PainEvent = Readonly<{ kind: PainKindId; place: PainPlaceId; side: Side | null; grade?: PainGrade | null }>;
