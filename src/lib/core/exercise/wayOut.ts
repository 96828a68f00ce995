import type { Exercise } from './exercise';

type Deep = Pick<Exercise, 'position' | 'phases' | 'moves' | 'traits' | 'positionOf'>;

const handsFirst = 'Come out slowly, hands first';

/** Ways out of a position, the first that fits; each begins with what carries the weight (common practice). */
const waysOut: readonly Readonly<{ fits: (e: Deep) => boolean; text: string }>[] = [
  {
    fits: (e) => e.traits.includes('lotus'),
    text: 'Come out with both hands: lift the foot off the thigh and straighten the knee without a twist.'
  },
  {
    fits: (e) => e.traits.includes('heel-sit'),
    text: 'Come out with the hands on the floor: lift the seat, then straighten one knee after the other.'
  },
  {
    fits: (e) => e.traits.includes('lean back'),
    text: 'Come out slowly: chin in, a hand down where it helps, and rise in one piece.'
  },
  {
    fits: (e) => e.position === 'in the split' && moves(e, 'HAB'),
    text: `${handsFirst}: weight into the hands, then walk the feet in.`
  },
  { fits: (e) => e.position === 'in the split', text: `${handsFirst}: weight into the hands, then draw the rear knee in.` },
  {
    fits: (e) => e.position === 'on all fours' && moves(e, 'HAB90') && !moves(e, 'HER90'),
    text: `${handsFirst}: weight forward onto them, then draw one knee in at a time.`
  },
  {
    fits: (e) => e.position === 'on all fours' && moves(e, 'HER90'),
    text: `${handsFirst}: push up, lean to the side of the front leg, and bring the rear leg round.`
  },
  {
    fits: (e) => e.position === 'on all fours' && moves(e, 'WF', 'WE'),
    text: 'Come out slowly: bring the shoulders back over the hands, sit back until they carry nothing, then lift them.'
  },
  {
    fits: (e) => e.position === 'kneeling' && moves(e, 'HAB'),
    text: `${handsFirst}: weight into the hands, then draw the straight leg in.`
  },
  {
    fits: (e) => e.position === 'kneeling' || e.position === 'lunge',
    text: `${handsFirst}: weight into the hands, then bring the hips back over the knee.`
  },
  {
    fits: (e) => e.position === 'sitting' && moves(e, 'HAB') && moves(e, 'HF-KS'),
    text: `${handsFirst}: walk them back, then bring the legs in with a hand under each knee.`
  },
  {
    fits: (e) => e.position === 'sitting' && moves(e, 'HF-KS'),
    text: `${handsFirst}: walk them up along the leg, then bend the knee.`
  },
  {
    fits: (e) => e.position === 'sitting' && moves(e, 'HAB90') && !moves(e, 'HER90', 'HIR90'),
    text: 'Come out slowly: lift the knees together with the hands.'
  },
  {
    fits: (e) => e.position === 'sitting' && moves(e, 'HER90', 'HIR90', 'HAB90'),
    text: `${handsFirst}: hands behind, lean back, then lift the knees with the hands and free the legs.`
  },
  {
    fits: (e) => e.position === 'standing' && e.traits.includes('head down'),
    text: 'Come up slowly: bend the knees, hands on the thighs, the head last.'
  },
  {
    fits: (e) => e.position === 'standing' && moves(e, 'HAB90', 'HAB'),
    text: 'Come up slowly: hands on the thighs, then walk the feet in.'
  },
  {
    fits: (e) => e.position === 'lying on the back' && moves(e, 'HF-KS', 'HE', 'HAD'),
    text: 'Come out slowly: bend the knee, then set the foot down.'
  },
  {
    fits: (e) => e.position === 'lying on the back' && moves(e, 'HAB90', 'HER90', 'HF-KB'),
    text: 'Come out slowly: bring the knees together with the hands, then set the feet down.'
  },
  {
    fits: (e) => e.position === 'lying on the front',
    text: 'Come out slowly: let go of the foot, straighten the knee, then turn to the side.'
  },
  {
    fits: (e) => e.position === 'lying on the side',
    text: 'Come out slowly: let go, bring the knees together, and push up with the hands.'
  },
  { fits: () => true, text: 'Come out slowly, the way you went in.' }
];

const moves = ({ moves: all }: Deep, ...motions: readonly string[]): boolean => all.some((m) => motions.includes(m.motion));

/** True where somebody stays deep in a position, held there or pressing. */
const isDeep = ({ phases, positionOf, position, moves: all }: Deep): boolean =>
  all.length > 0 &&
  (positionOf.length > 0 || position === 'in the split' || phases.some((p) => p === 'hold' || p === 'contract-relax'));

/** How to come out of the position of an exercise; null where nobody stays deep in one. Common practice. */
export const wayOutOf = (e: Deep): string | null => (isDeep(e) ? waysOut.find((w) => w.fits(e))!.text : null);

/** Every sentence there is for it. */
export const wayOutTexts: readonly string[] = waysOut.map((w) => w.text);
