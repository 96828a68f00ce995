// A data table: both knees bent at a right angle, one hip turned out and one in. Common practice (docs/sources.md#exercises).
import { effort, hold, levels, reps, rounds } from '../dial';
import type { Family } from '../record';

const handSupport = levels('hands', 'hands', 'both behind', 'one in front', 'both in front', 'fists clenched, no floor');
const fold = levels('fold', 'trunk', 'upright', 'half way', 'over the shin');
const kneeSilent = 'The effort is in the hip; a knee that feels it gets less.';
const sitting = ['front shin and rear shin at right angles to their thighs', 'front knee between shoulder and hip'] as const;

export const ninetyNinety: Family = {
  id: 'ninety_ninety',
  name: '90/90',
  exercises: [
    {
      id: 'trailing_knee_lift',
      name: '90/90, trailing knee lifts',
      aliases: ['rear knee lift 90/90'],
      position: 'sitting',
      path: [6, 22],
      phases: ['warm-up', 'active end'],
      kinds: ['active'],
      links: ['HER90'],
      moves: ['HER90', 'other HIR90'],
      sideWords: 'knee lifts',
      pose: '90/90 switch',
      setup: [
        'Sit in 90/90, the trailing knee near the other heel.',
        'One hand on the front knee, one on the floor.',
        'Lift the trailing knee and set it down without a sound.'
      ],
      checks: ['front knee stays down', 'trailing knee not too far back'],
      felt: 'deep in the trailing hip',
      notFelt: 'inside either knee',
      why: 'Asks for the outward turn that switching needs.',
      dials: [levels('hands', 'hands', 'one on the floor', 'both in front'), reps(3, 8)],
      doses: [{ school: 'drills', reps: 5, sets: 2, note: 'the second five with the hands in front' }],
      harderInferred: ['switch_90_90'],
      then: ['prone_heel_lift']
    },
    {
      id: 'sweep_fold',
      name: '90/90, sweep into a fold',
      aliases: ['shin sweep'],
      position: 'sitting',
      path: [24, 6],
      phases: ['mobilise', 'active end'],
      kinds: ['active'],
      links: ['HER90', 'HIR90'],
      moves: ['HER90', 'HIR90', 'other HIR90'],
      sideWords: 'leg in front',
      pose: '90/90 switch',
      setup: [
        'Sit in 90/90, hands behind.',
        'Sweep the trailing leg round and fold long over the front shin; come back the same way.'
      ],
      checks: ['chin leads', 'length, no collapse'],
      felt: 'outer hip of the front leg',
      notFelt: 'inside the knee',
      why: 'Both turns of the hip and the fold in one movement.',
      dials: [levels('hands', 'hands', 'both behind', 'one in front'), reps(4, 8)],
      doses: [{ school: 'drills', reps: 6 }]
    },
    {
      id: 'partial_sweep',
      name: '90/90, half a sweep',
      aliases: ['partial shin sweep'],
      position: 'sitting',
      path: [6, 30],
      phases: ['mobilise', 'active end'],
      kinds: ['active'],
      links: ['HER90', 'HIR90'],
      moves: ['HER90', 'HIR90', 'other HIR90'],
      sideWords: 'foot sweeps',
      pose: '90/90 switch',
      setup: ['Sit in 90/90, hands behind.', 'Sweep the trailing foot forward with the knee bent and down; take it back.'],
      checks: ['the knee stays on the floor'],
      felt: 'hip of the sweeping leg',
      notFelt: 'inside the knee',
      why: 'Turns the hip without lifting anything.',
      dials: [handSupport, reps(4, 8)],
      doses: [{ school: 'drills', reps: 6 }],
      harderInferred: ['sweep_fold'],
      then: ['thread_switch']
    },
    {
      id: 'thread_switch',
      name: '90/90, thread and switch',
      aliases: ['thread-through switch'],
      position: 'sitting',
      path: [30, 6],
      phases: ['mobilise'],
      kinds: ['active'],
      links: ['HER90', 'HIR90', 'KE'],
      sides: 'alternating',
      pose: '90/90 switch',
      setup: ['Sit in 90/90, hands behind.', 'Draw the leg out from underneath, thread it through and sit down the other way.'],
      checks: ['touch down at both ends'],
      felt: 'both hips in turn',
      notFelt: 'inside the knee',
      why: 'A longer way between the two sides.',
      cautions: ['Muddling at first is usual; slow is right.'],
      dials: [levels('hands', 'hands', 'behind', 'in front'), reps(4, 8, 4)],
      doses: [{ school: 'drills', reps: 8, note: 'change direction at half' }],
      then: ['front_leg_lift']
    },
    {
      id: 'fold_90_90',
      name: '90/90, fold over the front shin',
      aliases: ['90/90 forward fold'],
      position: 'sitting',
      pose: '90/90',
      path: [5, 62],
      phases: ['hold', 'settle'],
      kinds: ['passive'],
      links: ['HER90'],
      moves: ['HER90', 'other HIR90'],
      sideWords: 'leg in front',
      setup: [
        'Sit in 90/90.',
        'Chin ahead, long back, lean over the front shin; to the side of it where straight over is too much.'
      ],
      checks: ['back long', 'no early collapse', ...sitting],
      felt: 'outer hip and seat of the front leg',
      notFelt: 'inside the knee',
      why: 'The outward turn, held without effort.',
      dials: [
        levels('fold', 'trunk', 'to the side', 'forward, upright', 'forward, down'),
        levels('press', 'knees', 'resting', 'pressed down'),
        hold(30, 60, 10)
      ],
      doses: [
        { school: 'drills', holdS: [30, 60] },
        { school: 'long_hold', holdS: 60 }
      ],
      harderInferred: ['front_hip_90_90']
    },
    {
      id: 'switch_90_90',
      name: '90/90 switches',
      aliases: ['shin box switch', 'hip switches'],
      position: 'sitting',
      path: [30, 6],
      phases: ['active end', 'mobilise'],
      kinds: ['active'],
      links: ['HER90', 'HIR90'],
      sides: 'alternating',
      positionOf: ['switch_90_90'],
      pose: '90/90 switch',
      setup: [
        'Sit tall, feet wide, knees to one side.',
        'Lift both knees and take them over to the other side.',
        'Note how high the second knee is when it has to lift.'
      ],
      checks: ['the first knee stays down as long as it can', 'sitting tall'],
      felt: 'both hips',
      notFelt: 'inside the knee',
      why: 'Both turns owned, without hands: the end of this chain.',
      cautions: ['Late in the session, when warm.'],
      dials: [
        levels('hands', 'hands', 'leaning back on both', 'both behind', 'one behind', 'none, trunk upright'),
        reps(4, 12, 1)
      ],
      doses: [{ school: 'drills', reps: 8, sets: 2, note: 'three more in the second set' }]
    },
    {
      id: 'front_hip_90_90',
      name: '90/90 front hip, held with a tilt',
      aliases: ['90/90 stretch'],
      position: 'sitting',
      pose: '90/90',
      path: [5, 30],
      phases: ['hold'],
      kinds: ['passive'],
      links: ['HER90'],
      moves: ['HER90', 'other HIR90'],
      sideWords: 'leg in front',
      setup: [
        'Sit in 90/90, the trailing knee, hip and shoulder in one line.',
        'Tilt the pelvis forward with a long back; reach, and take the sit-bone back.'
      ],
      checks: [...sitting, 'pelvis tilts, back does not round'],
      felt: 'deep in the front hip, hard to place',
      notFelt: 'inside the knee',
      why: 'The tilt of the pelvis is the stretch; the trunk only follows.',
      mistakes: [
        ['No stretch from the tilt alone.', 'A slight lean as well.'],
        ['The back rounds.', 'Come up, or raise the seat.']
      ],
      dials: [levels('tilt', 'tilt', 'a little', 'half', 'full, reaching'), hold(30, 120, 15)],
      doses: [{ school: 'long_hold', holdS: 120, note: 'up to 4 of 10' }],
      harderInferred: ['front_hip_two_phase'],
      then: ['front_hip_rotation_isometric']
    },
    {
      id: 'front_hip_rotation_isometric',
      name: '90/90 front hip, press by turning',
      aliases: ['rotational isometric 90/90', 'PNF external rotation'],
      standardTerm: 'lengthened isometric, external rotators',
      position: 'sitting',
      pose: '90/90',
      path: [25],
      pressWays: ['ankle down'],
      phases: ['contract-relax'],
      kinds: ['isometric'],
      links: ['HER90', 'HIR90'],
      moves: ['HER90', 'HIR90', 'other HIR90'],
      sideWords: 'leg in front',
      setup: [
        'From the held 90/90, brace the whole body.',
        'Press the front ankle into the floor by turning the thigh; the knee only stays down.'
      ],
      press: 'front ankle down by turning the thigh in its socket',
      checks: ['the push turns, it does not slide', 'knee only stays down'],
      felt: 'deep in the front hip',
      notFelt: 'inside the knee, calf',
      why: 'Strength where the stretch ends.',
      cautions: [kneeSilent, 'The effort goes out slowly.'],
      dials: [effort, rounds(4)],
      doses: [
        {
          school: 'long_hold',
          contractionS: 10,
          effortPct: [10, 80],
          rounds: [2, 3],
          note: 'ramped in tens, then the highest that is safe, and ramped down'
        }
      ],
      then: ['stay_and_breathe']
    },
    {
      id: 'front_hip_two_phase',
      name: '90/90 front hip, press and draw',
      aliases: ['two-phase 90/90'],
      standardTerm: 'contract-relax with agonist contraction, hip rotation',
      position: 'sitting',
      pose: '90/90',
      path: [45],
      pressWays: ['ankle down'],
      drawWays: ['chest ahead'],
      phases: ['contract-relax'],
      kinds: ['isometric'],
      links: ['HER90', 'HF-KB'],
      moves: ['HER90', 'HF-KB', 'other HIR90'],
      sideWords: 'leg in front',
      setup: [
        '90/90, chest over the front shin.',
        'Press the whole shin into the floor, ramping up.',
        'Then draw the chest toward the shin and the shin toward the chest.'
      ],
      press: 'whole front shin into the floor',
      draw: 'shin and chest toward each other',
      checks: ['spine long', 'sit-bone back'],
      felt: 'outer leg, then the front of the hip',
      notFelt: 'inside the knee',
      why: 'Long side and short side, one after the other.',
      cautions: [kneeSilent],
      dials: [effort, fold, rounds(3)],
      doses: [{ school: 'long_hold', contractionS: 10, effortPct: [20, 80], rounds: [2, 3] }]
    },
    {
      id: 'rear_hip_two_phase',
      name: '90/90 rear hip, press and draw',
      aliases: ['two-phase internal rotation'],
      standardTerm: 'contract-relax with agonist contraction, hip internal rotation',
      position: 'sitting',
      pose: '90/90',
      path: [10],
      pressWays: ['other ankle down'],
      drawWays: ['other ankle up'],
      phases: ['contract-relax'],
      kinds: ['isometric'],
      links: ['HIR90'],
      moves: ['HIR90', 'other HER90'],
      sideWords: 'leg behind',
      setup: [
        '90/90, trunk turned toward the rear leg, its seat heavy.',
        'Press the rear foot into the floor.',
        'Then try to lift the rear foot without moving.'
      ],
      press: 'inside of the rear foot and shin into the floor',
      draw: 'rear foot off the floor by turning the thigh',
      checks: ['rear seat down', 'spine tall'],
      felt: 'inner leg, deep in the rear hip',
      notFelt: 'inside the knee',
      why: 'The inward turn has few exercises; this is the strong one.',
      cautions: [kneeSilent],
      dials: [levels('hands', 'hands', 'far behind', 'behind', 'beside', 'in front'), effort, rounds(3)],
      doses: [{ school: 'long_hold', contractionS: [10, 15], effortPct: [20, 80], rounds: [2, 3] }],
      harderInferred: ['prone_heel_lift']
    },
    {
      id: 'prone_heel_lift',
      name: 'Heel lift lying on the front',
      aliases: ['prone internal rotation lift'],
      position: 'lying on the front',
      pose: 'knee up, prone',
      phases: ['active end'],
      kinds: ['active'],
      links: ['HIR90'],
      sideWords: 'heel lifts',
      setup: ['Lie on the front, one knee drawn up to the side.', 'Look down, hands push the floor; lift that heel.'],
      checks: ['knee stays down', 'pelvis still'],
      felt: 'deep in the hip',
      notFelt: 'inside the knee',
      why: 'The inward turn, by its own muscles.',
      dials: [levels('knee', 'knee', 'low', 'level with the hip', 'further up'), hold(3, 8, 1), reps(3, 8)],
      start: { holdS: 5, reps: 5 },
      doses: [{ school: 'drills', holdS: 5, reps: 5 }],
      harder: ['prone_knee_ankle_lift']
    },
    {
      id: 'prone_knee_ankle_lift',
      name: 'Knee and heel lift lying on the front',
      aliases: ['prone whole-leg lift'],
      position: 'lying on the front',
      pose: 'knee up, prone',
      phases: ['active end'],
      kinds: ['active'],
      links: ['HIR90', 'HAB'],
      sideWords: 'leg lifts',
      setup: ['Lie on the front, one knee drawn up to the side.', 'Lift heel and knee together, level.'],
      checks: ['the ankle not much higher than the knee'],
      felt: 'deep in the hip and its side',
      notFelt: 'low back',
      why: 'Turn and lift together.',
      mistakes: [['Only the heel comes up.', 'Back to the heel lift.']],
      dials: [levels('lift', 'lift', 'heel only', 'both'), hold(2, 5, 1), reps(3, 8)],
      doses: [{ school: 'drills', holdS: 2, reps: 5 }],
      then: ['sweep_fold']
    }
  ]
};
