// A data table. Standing of every row: assumption from general exercise-safety practice, not reviewed by a clinician (docs/sources.md#screening).
import type { MotionId } from '../body/motions';
import { beighton, type BeightonItem } from './beighton';
import type { Joint } from '../body/body';
import { jointRows } from './jointRows';
import type { Limit } from './limit';

export const screeningVersion = '2026-12-3';

/** What a row may ask besides being ticked. */
export type RowAsk = 'side' | 'end stop';

export type ScreeningRow = Readonly<{
  id: string;
  tier: 'urgent' | 'clinician first' | 'limits';
  text: string;
  /** A second line in plain words. */
  detail?: string;
  /** A plain question instead of a tick: it applies when it is answered so. */
  question?: Readonly<{ text: string; appliesOn: 'yes' | 'no' }>;
  asks?: RowAsk;
  /** Given or withheld, and no finding. */
  isConsent?: true;
  /** The joint it is asked of, and the finding; asked where the goal moves that joint. */
  joint?: Readonly<{ at: Joint; finding: string }>;
  limits?: readonly Omit<Limit, 'from' | 'side'>[];
  caution?: string;
}>;

export type TopicId =
  'now' | 'injury' | 'goal' | 'joints' | 'mobility' | 'stops' | 'birth' | 'back' | 'heart' | 'age' | 'touch' | 'week' | 'caps';

/** One card of the conversation. */
export type ScreeningTopic = Readonly<{
  id: TopicId;
  title: string;
  lead: string;
  rows: readonly ScreeningRow[];
  /** Asked only under this age. */
  underAge?: number;
}>;

const effortCap = (value: number) => ({ kind: 'effort cap', value }) as const;

export const screeningTopics: readonly ScreeningTopic[] = [
  {
    id: 'now',
    title: 'Any of these now?',
    lead: 'Then nothing is trained: medical help, now.',
    rows: [
      { id: 'saddle_numbness', tier: 'urgent', text: 'Numbness between the legs' },
      { id: 'bladder_bowel', tier: 'urgent', text: 'New bladder or bowel trouble together with back or leg symptoms' },
      { id: 'hot_calf', tier: 'urgent', text: 'A calf that is hot, swollen and painful' },
      { id: 'no_weight', tier: 'urgent', text: 'Cannot bear weight on a leg' },
      { id: 'pop_weakness', tier: 'urgent', text: 'A sudden pop, with weakness or bruising' },
      { id: 'chest_fainting', tier: 'urgent', text: 'Chest pain or fainting' },
      { id: 'sudden_headache', tier: 'urgent', text: 'A sudden, severe headache' },
      { id: 'sudden_breathless', tier: 'urgent', text: 'Sudden breathlessness' }
    ]
  },
  {
    id: 'injury',
    title: 'Injury, surgery, strain',
    lead: 'Of hip, thigh, knee, ankle or back, or of the region that will be trained.',
    rows: [
      { id: 'recent_injury', tier: 'clinician first', text: 'Injury or surgery within 12 weeks, or still under care' },
      { id: 'fracture', tier: 'clinician first', text: 'A fracture or stress fracture that is still healing' },
      { id: 'rest_pain', tier: 'clinician first', text: 'Pain at rest or at night' },
      {
        id: 'old_strain',
        tier: 'limits',
        text: 'Hamstring or groin strain, over 12 weeks ago',
        asks: 'side',
        limits: [effortCap(40), { kind: 'no ballistic' }, { kind: 'deepening at most every', value: 14 }]
      },
      {
        id: 'attachment_ache',
        tier: 'limits',
        text: 'Deep ache at the sit-bone when stretching',
        asks: 'side',
        limits: [{ kind: 'no passive stretch of a line', line: 'hamstring' }],
        caution: 'Mid-range strength only. Refer if it lasts two weeks.'
      },
      {
        id: 'groin_ache',
        tier: 'limits',
        text: 'Deep ache in the groin when stretching',
        asks: 'side',
        limits: [
          { kind: 'no passive stretch of a line', line: 'inner thigh' },
          { kind: 'no passive stretch of a line', line: 'hip flexor' }
        ],
        caution: 'Mid-range strength only. Refer if it lasts two weeks.'
      },
      {
        id: 'long_pause',
        tier: 'limits',
        text: 'A pause of over two weeks, or an illness',
        limits: [{ kind: 'measure first' }],
        caution: 'Resume one or two steps back, and measure before anything is made harder.'
      }
    ]
  },
  {
    id: 'goal',
    title: 'The joints of the goal',
    lead: 'Joint by joint: what hurts, what was hurt or operated on, what slips, what is numb.',
    rows: jointRows
  },
  {
    id: 'joints',
    title: 'Joints: hip and knee',
    lead: 'Artificial joints, knees that hurt or did, hips that pinch or stop hard.',
    rows: [
      { id: 'locking', tier: 'clinician first', text: 'A joint that locks or gives way' },
      {
        id: 'artificial_joint',
        tier: 'clinician first',
        text: 'An artificial joint not yet cleared for the motions of the goal'
      },
      {
        id: 'artificial_hip',
        tier: 'limits',
        text: 'Artificial hip, cleared for training',
        asks: 'side',
        limits: [
          { kind: 'no end-range work', joint: 'hip' },
          { kind: 'no bend with inward turn', joint: 'hip' }
        ],
        caution: 'What the surgeon forbade stays forbidden. No bend over 90° with inward rotation, nothing across the middle.'
      },
      {
        id: 'artificial_knee',
        tier: 'limits',
        text: 'Artificial knee, cleared for training',
        asks: 'end stop',
        limits: [{ kind: 'no heel-sit' }, { kind: 'no lotus' }],
        caution: 'The end stop is the one the clinician told; there is no usual angle.'
      },
      {
        id: 'knee_history',
        tier: 'limits',
        text: 'Knee injury or knee pain in the past',
        asks: 'side',
        limits: [{ kind: 'rung at least', value: 14 }, { kind: 'no lever on the foot' }],
        caution: 'Lotus, heel-sit and rotation at the knee only on a silent knee.'
      },
      {
        id: 'hip_pinch',
        tier: 'limits',
        text: 'Pinch in front of the hip when folding or opening',
        asks: 'side',
        limits: [{ kind: 'stay short of the pinch' }],
        caution: 'Turn or narrow the position. Twice: refer. The pinch is never a target.'
      },
      {
        id: 'bony_stop',
        tier: 'limits',
        text: 'A hard, bony stop with no stretch felt',
        asks: 'end stop',
        limits: [],
        caution: 'Stop chasing range in that direction on that side. Write the end feel down; set the goal from there.'
      }
    ]
  },
  {
    id: 'mobility',
    title: 'Very mobile joints',
    lead: 'Score each item in place: show it, let them try it, gently.',
    rows: [
      { id: 'connective_tissue', tier: 'clinician first', text: 'A diagnosed connective-tissue disorder' },
      {
        id: 'unstable_joints',
        tier: 'limits',
        text: 'Joints that slip, feel unstable, or hurt often',
        detail: 'With a score at the threshold or over it: a clinician first.'
      }
    ]
  },
  {
    id: 'stops',
    title: 'Where a joint ends',
    lead: 'Whatever more there is: no passive work goes past it. A published norm is offered as a start.',
    rows: []
  },
  {
    id: 'birth',
    title: 'Pregnancy and after birth',
    lead: 'Ask everyone it may concern.',
    rows: [
      { id: 'pregnancy', tier: 'clinician first', text: 'Pregnant, with pelvic-girdle pain or any warning sign' },
      { id: 'newborn', tier: 'clinician first', text: 'Within 6 weeks after birth' },
      {
        id: 'pregnant_well',
        tier: 'limits',
        text: 'Pregnant and well',
        limits: [
          effortCap(30),
          { kind: 'no bracing' },
          { kind: 'no deepening' },
          { kind: 'no long time on the back' },
          { kind: 'nothing lying on the front' },
          { kind: 'wide support only' }
        ],
        caution: 'No long time on the back after the first third; nothing lying on the front later.'
      },
      {
        id: 'after_birth',
        tier: 'limits',
        text: '6 weeks to 6 months after birth',
        limits: [effortCap(40), { kind: 'no bracing' }],
        caution: 'Pelvic symptoms: a clinician.'
      }
    ]
  },
  {
    id: 'back',
    title: 'Spine, nerves, bones',
    lead: 'Back pain, tingling, and bones that need care.',
    rows: [
      { id: 'nerve_signs', tier: 'clinician first', text: 'Numbness, tingling or weakness in a limb' },
      {
        id: 'back_history',
        tier: 'limits',
        text: 'Back pain in the past, settled',
        limits: [{ kind: 'no loaded roll-down' }, { kind: 'no rounded fold' }],
        caution: 'Lean-backs only after the spine is warm.'
      },
      {
        id: 'nerve_history',
        tier: 'limits',
        text: 'Sciatic or nerve-like symptoms in the past',
        asks: 'side',
        limits: [{ kind: 'no long hold of a line', line: 'hamstring' }],
        caution: 'No long folds with the feet flexed. A spreading or electric sensation stops.'
      },
      {
        id: 'low_bone_density',
        tier: 'limits',
        text: 'Low bone density',
        limits: [{ kind: 'no loaded roll-down' }, { kind: 'no rounded fold' }, { kind: 'no ballistic' }]
      },
      { id: 'arthritis_flare', tier: 'clinician first', text: 'Inflammatory arthritis in flare' }
    ]
  },
  {
    id: 'heart',
    title: 'Pressure, eyes, medicines',
    lead: 'Hard presses raise the pressure of the blood; some medicines weaken tissue.',
    rows: [
      { id: 'blood_pressure', tier: 'clinician first', text: 'High blood pressure that is not under control' },
      {
        id: 'blood_pressure_controlled',
        tier: 'limits',
        text: 'High blood pressure, controlled',
        limits: [effortCap(40), { kind: 'contraction at most', value: 6 }, { kind: 'no bracing' }, { kind: 'no head-down' }],
        caution: 'Breathing goes on. No head-down beyond a minute.'
      },
      { id: 'aneurysm_eye', tier: 'clinician first', text: 'A known aneurysm, recent eye surgery, or glaucoma' },
      { id: 'hernia', tier: 'clinician first', text: 'A hernia' },
      { id: 'anticoagulants', tier: 'clinician first', text: 'Treatment with blood thinners' },
      {
        id: 'dizziness',
        tier: 'limits',
        text: 'Dizziness, or medicines that make dizzy',
        limits: [{ kind: 'no inversion' }],
        caution: 'Slow changes of position.'
      },
      {
        id: 'tendon_medicines',
        tier: 'limits',
        text: 'Quinolone antibiotics or a steroid course in the last 3 months',
        limits: [effortCap(40), { kind: 'no ballistic' }, { kind: 'no partner' }]
      }
    ]
  },
  {
    id: 'age',
    title: 'Growing bodies',
    lead: 'Under 18: an adult has to be present; consent and safeguarding go on record as local rules say.',
    underAge: 18,
    rows: [
      {
        id: 'growth_spurt',
        tier: 'limits',
        text: 'A growth spurt, or a heel, knee or sit-bone ache',
        limits: [{ kind: 'no deepening' }],
        caution: 'Ease and refer.'
      }
    ]
  },
  {
    id: 'touch',
    title: 'Touch, teaching, first times',
    lead: 'Consent can be taken back at any time; then ask again.',
    rows: [
      {
        id: 'no_touch',
        tier: 'limits',
        text: 'No consent to hands-on help',
        isConsent: true,
        question: { text: 'Do they consent to hands-on help?', appliesOn: 'no' },
        limits: [{ kind: 'no hands-on' }, { kind: 'no partner' }]
      },
      {
        id: 'untaught',
        tier: 'limits',
        text: 'Not taught press and draw (the two-phase isometric) yet',
        question: { text: 'Were they taught press and draw, the two-phase isometric?', appliesOn: 'no' },
        limits: [{ kind: 'teach first, effort cap', value: 30 }],
        caution: 'A teaching block first; effort stays at 30 % for the first two sessions.'
      },
      {
        id: 'first_attempt',
        tier: 'limits',
        text: 'First attempt at a deep position',
        question: { text: 'Is it their first attempt at a deep position?', appliesOn: 'yes' },
        limits: [{ kind: 'half way only' }],
        caution: 'Go half way only, hands supported, no depth to aim for.'
      }
    ]
  },
  {
    id: 'week',
    title: 'Their week',
    lead: 'What the body does besides, and what is at home.',
    rows: [
      {
        id: 'rehabilitation',
        tier: 'clinician first',
        text: 'The aim is rehabilitation: range back after injury or surgery',
        limits: [effortCap(40), { kind: 'no ballistic' }, { kind: 'no partner' }, { kind: 'deepening at most every', value: 14 }],
        caution: 'Only once a clinician has cleared it by name. The cautious dose: light effort, small steps, two weeks on each.'
      }
    ]
  },
  { id: 'caps', title: 'Caps', lead: 'What you allow at most; a limit may be lower.', rows: [] }
];

export const screeningRows: readonly ScreeningRow[] = screeningTopics.flatMap((t) => t.rows);

/** Motions an end stop can be set for, with the angle offered as a start where a published norm has one. */
export const endStopMotions: readonly MotionId[] = ['HF-KS', 'HF-KB', 'HE', 'HAB', 'HER0', 'HER90', 'HIR90', 'KF', 'KE'];

/** The cards asked of one person: some hang on age, end stops on what was ticked. */
export function topicsFor(
  person: Readonly<{
    ageYears: number;
    /** The older reading of a year of birth. @default ageYears */
    oldestYears?: number;
    flags: readonly string[];
    beighton: readonly BeightonItem[];
    /** Joints of the goals, each asked about. */
    joints: readonly Joint[];
  }>
): ScreeningTopic[] {
  const needsStops =
    screeningRows.some((r) => r.asks === 'end stop' && person.flags.includes(r.id)) ||
    beighton(person.beighton, person.oldestYears ?? person.ageYears).meets;
  return screeningTopics
    .filter(({ underAge }) => person.ageYears < (underAge ?? Infinity))
    .map((topic) => (topic.id === 'goal' ? goalTopic(topic, person.joints) : topic))
    .filter(({ id, rows }) => (id !== 'stops' || needsStops) && (id !== 'goal' || rows.length > 0));
}

const goalTopics = new Map<string, ScreeningTopic>();
/** The card of the joints for some of them: the same one each time, so that nobody who follows it takes it for another. */
function goalTopic(topic: ScreeningTopic, of: readonly Joint[]): ScreeningTopic {
  const key = of.join();
  const made = goalTopics.get(key) ?? { ...topic, rows: topic.rows.filter((r) => r.joint && of.includes(r.joint.at)) };
  goalTopics.set(key, made);
  return made;
}
