import { ladder, noPlanWishes, type PlanAsk, type Prop } from '../index';
import { somebody } from './person';
import { weekFor } from './week';

const shelf: Prop[] = [
  { id: 'book', name: 'book', quantity: 3, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] },
  { id: 'block', name: 'block', quantity: 2, faces: [{ heightCm: 10, widthCm: 15, depthCm: 23 }] }
];
const rungs = ladder({ fromCm: 15, toCm: 0, shelf }).steps;
const setting = { depthCm: 15, holdS: 30 };

/** What the week of a front split, 15 cm up on both sides, is made from. */
export const splitWeekAsk = {
  settings: { front_split_on_stack: { left: setting, right: setting } },
  rungs: { left: rungs, right: rungs },
  measuredCm: { left: 15, right: 15 }
};

const long = { holdS: 120, effortPct: 40 };
/** The same with its cycles held for two minutes: what can be cut. */
export const longWeek = weekFor({
  ...splitWeekAsk,
  settings: {
    ...splitWeekAsk.settings,
    front_hamstring_cycle: { left: long, right: long },
    rear_hip_cycle: { left: long, right: long }
  }
});

/** A plan of four weeks of three hours for it. */
export const splitPlanAsk: PlanAsk = {
  week: weekFor(splitWeekAsk),
  level: 'intermediate',
  leadSide: 'left',
  weakerSide: null,
  tighterSide: null,
  limiting: ['HE', 'HF-KS'],
  priority: { HE: 1, 'HF-KS': 0.8 },
  activeWorth: {},
  demands: ['HE', 'HF-KS'],
  wishes: noPlanWishes,
  breathS: 8,
  person: somebody(),
  today: '2026-03-02',
  weeks: 4,
  sessionsPerWeek: 3,
  minutes: 60,
  start: '2026-03-02',
  target: null,
  hasBaseline: true
};
