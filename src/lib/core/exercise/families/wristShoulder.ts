// A data table: wrist and shoulder. Common practice (docs/sources.md#exercises).
import { effort, hold, levels, reps } from '../dial';
import { need, type Family } from '../record';

const frontPinch = ['A pinch at the front of the wrist.', 'The version with the own hand.'] as const;
const longDose = [{ school: 'long_hold', holdS: [30, 120], note: 'half a minute to a minute, later two' }] as const;
const wristHold = hold(30, 120, 15);

export const wristShoulder: Family = {
  id: 'wrist_shoulder',
  name: 'Wrist and shoulder',
  exercises: [
    {
      id: 'wrist_own_hand',
      name: 'Wrist bent by the other hand',
      aliases: ['wrist flexor release', 'wrist flexion stretch'],
      position: 'any',
      phases: ['hold'],
      kinds: ['passive'],
      links: ['WF'],
      sideWords: 'wrist bent',
      pose: 'hand sunk',
      setup: ['Arm in front, the other hand bends the wrist.'],
      checks: ['only the wrist moves'],
      felt: 'back of the wrist and forearm',
      notFelt: 'front of the wrist',
      why: 'The gentlest dose for the wrist.',
      dials: [wristHold],
      doses: longDose,
      harder: ['wrist_floor']
    },
    {
      id: 'wrist_floor',
      name: 'Back of the hand on the floor',
      aliases: ['floor wrist flexion'],
      position: 'on all fours',
      phases: ['hold'],
      kinds: ['passive'],
      links: ['WF'],
      sideWords: 'hand turned',
      setup: ['Hands and knees, the back of one hand on the floor.', 'Take weight onto it slowly.'],
      checks: ['elbow straight', 'weight slowly'],
      felt: 'fingers, top of the wrist, forearm',
      notFelt: 'front of the wrist',
      why: 'Body weight in place of the other hand.',
      mistakes: [frontPinch],
      dials: [levels('weight', 'weight', 'mid range', 'to the end', 'with body weight'), wristHold],
      doses: longDose,
      harder: ['wrist_lean']
    },
    {
      id: 'wrist_lean',
      name: 'Back of the hand on the floor, leaning',
      aliases: ['leaning wrist flexion'],
      position: 'on all fours',
      phases: ['hold'],
      kinds: ['passive'],
      links: ['WF'],
      sideWords: 'hand turned',
      setup: ['As before; lean the body over the hand.'],
      checks: ['elbow straight'],
      felt: 'fingers, top of the wrist, forearm',
      notFelt: 'front of the wrist',
      why: 'When two minutes are easy.',
      mistakes: [frontPinch],
      dials: [levels('lean', 'lean', 'a little', 'more', 'full'), wristHold],
      doses: [{ school: 'long_hold', note: 'after two easy minutes' }],
      then: ['wrist_two_phase']
    },
    {
      id: 'wrist_two_phase',
      name: 'Wrist, press and draw',
      aliases: ['two-phase wrist isometric'],
      standardTerm: 'contract-relax with agonist contraction, wrist flexion',
      position: 'any',
      phases: ['contract-relax'],
      kinds: ['isometric'],
      links: ['WF', 'WE'],
      sideWords: 'wrist bent',
      setup: [
        'At any of the three levels.',
        'Press the back of the hand into floor or hand.',
        'Then bend the wrist further by itself.'
      ],
      press: 'back of the hand into floor or hand',
      draw: 'wrist further bent, by itself',
      checks: ['only the wrist', 'the hand stays, the body leans'],
      felt: 'back, then front of the forearm',
      notFelt: 'front of the wrist',
      why: 'Strength where the stretch ends.',
      dials: [effort],
      doses: [
        { school: 'long_hold', contractionS: [10, 15], rounds: 1, note: 'ramp, hold and ramp down, each way; one round or more' }
      ]
    },
    {
      id: 'arm_overhead_stick',
      name: 'Arms overhead with a stick, lying',
      aliases: ['supine shoulder flexion', 'overhead stick stretch'],
      position: 'lying on the back',
      phases: ['hold'],
      kinds: ['passive'],
      links: ['SF'],
      sides: 'both together',
      added: true,
      pose: 'arm overhead',
      props: [need('stick')],
      setup: ['Lie on the back, knees bent, a stick in both hands.', 'Let the arms sink overhead, ribs down.'],
      checks: ['ribs down', 'elbows straight'],
      felt: 'armpits, side of the chest',
      notFelt: 'top of the shoulder',
      why: 'Overhead reach without the back helping.',
      dials: [hold(20, 90, 10)],
      asks: ['holdS'],
      harderInferred: ['arm_overhead_lift']
    },
    {
      id: 'arm_overhead_lift',
      name: 'Arms lifted overhead, lying on the front',
      aliases: ['prone overhead lift', 'prone Y lift'],
      position: 'lying on the front',
      phases: ['active end'],
      kinds: ['active'],
      links: ['SF'],
      sides: 'both together',
      added: true,
      props: [need('stick')],
      setup: ['Lie on the front, forehead down, a stick in both hands overhead.', 'Lift the stick off the floor and hold.'],
      checks: ['forehead down', 'elbows straight'],
      felt: 'between and below the shoulder blades',
      notFelt: 'top of the shoulder, neck',
      why: 'The same reach, by its own muscles.',
      dials: [hold(2, 8, 1), reps(3, 10)],
      asks: ['holdS', 'reps']
    },
    {
      id: 'forearm_back',
      name: 'Forearm sinking back, lying',
      aliases: ['supine shoulder external rotation'],
      position: 'lying on the back',
      phases: ['hold', 'contract-relax'],
      kinds: ['passive', 'isometric'],
      links: ['SER'],
      sideWords: 'arm turned',
      added: true,
      pose: 'forearm back',
      setup: [
        'Lie on the back, upper arm out level, elbow at a right angle.',
        'Let the forearm sink back; press it up lightly and let go, if wished.'
      ],
      checks: ['shoulder stays down', 'ribs down'],
      felt: 'front of the shoulder and chest',
      notFelt: 'deep point at the front of the shoulder',
      why: 'Outward turn of the arm, by weight.',
      dials: [hold(20, 90, 10)],
      asks: ['holdS'],
      mirrors: 'forearm_forward'
    },
    {
      id: 'forearm_forward',
      name: 'Forearm sinking forward, lying',
      aliases: ['supine shoulder internal rotation'],
      position: 'lying on the back',
      phases: ['hold', 'active end'],
      kinds: ['passive', 'active'],
      links: ['SIR'],
      sideWords: 'arm turned',
      added: true,
      pose: 'forearm forward',
      setup: [
        'Lie on the back, upper arm out level, elbow at a right angle.',
        'Let the forearm sink forward, the shoulder blade heavy.'
      ],
      checks: ['shoulder blade stays down'],
      felt: 'back of the shoulder',
      notFelt: 'deep point at the front of the shoulder',
      why: 'Inward turn of the arm, by weight.',
      dials: [hold(20, 90, 10)],
      asks: ['holdS'],
      mirrors: 'forearm_back'
    }
  ]
};
