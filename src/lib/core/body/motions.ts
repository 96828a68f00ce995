// A data table. Joint motions with the usual codes of the trade; norms are context, never goals (docs/sources.md#joint-range-norms).

export const motionIds = [
  'HF-KS',
  'HF-KB',
  'HE',
  'HE-KF',
  'HAB',
  'HAB90',
  'HAD',
  'HER0',
  'HIR0',
  'HER90',
  'HIR90',
  'KF',
  'KE',
  'ADF',
  'APF',
  'WF',
  'WE',
  'SF',
  'SER',
  'SIR'
] as const;
export type MotionId = (typeof motionIds)[number];

/** A published figure beside a value. `sd` where the source gives a spread between people. */
export type Norm = Readonly<{
  deg: number;
  sd?: number;
  source: 'AAOS 1965' | 'Boone & Azen 1979' | 'Youdas 2005, men' | 'Youdas 2005, women';
  standing: 'published, recalled with high confidence' | 'published, recalled with medium confidence';
}>;

export type Motion = Readonly<{
  id: MotionId;
  /** The word for it on every page. */
  name: string;
  /** The standard term of the field, beside it where it is looked for. */
  term: string;
  joint: 'hip' | 'knee' | 'ankle' | 'wrist' | 'shoulder';
  norms: readonly Norm[];
}>;

const high = 'published, recalled with high confidence';
const medium = 'published, recalled with medium confidence';
const aaos = (deg: number): Norm => ({ deg, source: 'AAOS 1965', standing: high });
const boone = (deg: number, sd: number, standing: Norm['standing'] = high): Norm => ({
  deg,
  sd,
  source: 'Boone & Azen 1979',
  standing
});

export const motions: readonly Motion[] = [
  {
    id: 'HF-KS',
    name: 'hamstring length',
    term: 'hip flexion, knee straight',
    joint: 'hip',
    norms: [
      { deg: 68.5, sd: 6.8, source: 'Youdas 2005, men', standing: medium },
      { deg: 76.3, sd: 9.5, source: 'Youdas 2005, women', standing: medium }
    ]
  },
  { id: 'HF-KB', name: 'knee to the chest', term: 'hip flexion, knee bent', joint: 'hip', norms: [aaos(120), boone(122.3, 6.1)] },
  { id: 'HE', name: 'front of the hip', term: 'hip extension', joint: 'hip', norms: [aaos(30), boone(9.8, 6.8)] },
  { id: 'HE-KF', name: 'front of the thigh', term: 'hip extension, knee bent', joint: 'hip', norms: [] },
  { id: 'HAB', name: 'leg out to the side', term: 'hip abduction', joint: 'hip', norms: [aaos(45), boone(45.9, 9.3)] },
  { id: 'HAB90', name: 'knee out (hip bent)', term: 'hip abduction, hip bent', joint: 'hip', norms: [] },
  { id: 'HAD', name: 'leg across', term: 'hip adduction', joint: 'hip', norms: [aaos(30), boone(26.9, 4.1)] },
  {
    id: 'HER0',
    name: 'outward turn (hip straight)',
    term: 'hip external rotation, hip straight',
    joint: 'hip',
    norms: [aaos(45), boone(47.2, 6.3)]
  },
  {
    id: 'HIR0',
    name: 'inward turn (hip straight)',
    term: 'hip internal rotation, hip straight',
    joint: 'hip',
    norms: [aaos(45), boone(47.3, 6)]
  },
  {
    id: 'HER90',
    name: 'outward turn (hip bent)',
    term: 'hip external rotation, hip bent',
    joint: 'hip',
    norms: [aaos(45), boone(47.2, 6.3)]
  },
  {
    id: 'HIR90',
    name: 'inward turn (hip bent)',
    term: 'hip internal rotation, hip bent',
    joint: 'hip',
    norms: [aaos(45), boone(47.3, 6)]
  },
  { id: 'KF', name: 'knee bend', term: 'knee flexion', joint: 'knee', norms: [aaos(135), boone(142.5, 5.4)] },
  { id: 'KE', name: 'knee straightening', term: 'knee extension', joint: 'knee', norms: [] },
  {
    id: 'ADF',
    name: 'ankle bend',
    term: 'ankle dorsiflexion, weight-bearing',
    joint: 'ankle',
    norms: [aaos(20), boone(12.6, 4.4)]
  },
  { id: 'APF', name: 'pointing the foot', term: 'ankle plantarflexion', joint: 'ankle', norms: [aaos(50), boone(56.2, 6.1)] },
  { id: 'WF', name: 'wrist bent forward', term: 'wrist flexion', joint: 'wrist', norms: [aaos(80), boone(76.4, 6.3, medium)] },
  { id: 'WE', name: 'wrist bent back', term: 'wrist extension', joint: 'wrist', norms: [aaos(70), boone(74.9, 6.4, medium)] },
  { id: 'SF', name: 'arm overhead', term: 'shoulder flexion', joint: 'shoulder', norms: [aaos(180), boone(166.7, 4.7, medium)] },
  { id: 'SER', name: 'arm turning out', term: 'shoulder external rotation', joint: 'shoulder', norms: [aaos(90)] },
  { id: 'SIR', name: 'arm turning in', term: 'shoulder internal rotation', joint: 'shoulder', norms: [aaos(70)] }
];

export function motionOf(id: MotionId): Motion {
  const motion = motions.find((m) => m.id === id);
  if (!motion) throw new RangeError(`no motion ${id}`);
  return motion;
}
