// A data table with its two readers. Kinds and consequences are common practice, the cautious side (docs/sources.md#screening).
import type { Joint, JointSide, Line } from '../exercise/exercise';
import type { Side } from '../side';

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
    label: 'Numb between the legs, cannot bear weight, hot swollen calf, chest pain, fainting',
    action: 'urgent',
    locks: true,
    advice: 'Stop. Get medical help now.'
  }
];

export function painKindOf(id: PainKindId): PainKind {
  const kind = painKinds.find((k) => k.id === id);
  if (!kind) throw new RangeError(`no pain kind ${id}`);
  return kind;
}

/** Places on the body that are offered, each with the joint it counts for and the line it may take out. */
export type PainPlace = Readonly<{ id: PainPlaceId; label: string; joint: Joint; sided: boolean; line?: Line }>;
export type PainPlaceId =
  'back_of_thigh' | 'sit_bone' | 'front_of_hip' | 'groin' | 'front_of_thigh' | 'knee' | 'lower_leg' | 'back';

export const painPlaces: readonly PainPlace[] = [
  { id: 'front_of_hip', label: 'Front of the hip', joint: 'hip', sided: true, line: 'hip flexor' },
  { id: 'groin', label: 'Groin', joint: 'hip', sided: true, line: 'hip flexor' },
  { id: 'sit_bone', label: 'Sit-bone', joint: 'hip', sided: true, line: 'hamstring' },
  { id: 'back_of_thigh', label: 'Back of the thigh', joint: 'hip', sided: true, line: 'hamstring' },
  { id: 'front_of_thigh', label: 'Front of the thigh', joint: 'hip', sided: true, line: 'hip flexor' },
  { id: 'knee', label: 'Knee', joint: 'knee', sided: true },
  { id: 'lower_leg', label: 'Calf, ankle, foot', joint: 'ankle', sided: true },
  { id: 'back', label: 'Low back', joint: 'back', sided: false }
];

export function painPlaceOf(id: PainPlaceId): PainPlace {
  const place = painPlaces.find((p) => p.id === id);
  if (!place) throw new RangeError(`no pain place ${id}`);
  return place;
}

export type PainEvent = Readonly<{ kind: PainKindId; place: PainPlaceId; side: Side | null }>;

/**
 * The joints and sides that stop signs lock, everywhere, until a named person clears them. Each once.
 */
export function locksFrom(events: readonly PainEvent[]): JointSide[] {
  const locks = new Map<string, JointSide>();
  for (const { kind, place, side } of events) {
    if (!painKindOf(kind).locks) continue;
    const lock = { joint: painPlaceOf(place).joint, side: painPlaceOf(place).sided ? side : null };
    locks.set(`${lock.joint}/${lock.side}`, lock);
  }
  return [...locks.values()];
}

/** Whether a lock bars any of the joints: a lock without a side bars both. */
export const isLocked = (joints: readonly JointSide[], locks: readonly JointSide[]): boolean =>
  joints.some((j) => locks.some((l) => l.joint === j.joint && (l.side === null || j.side === null || l.side === j.side)));
