import type { Exercise } from './exercise';
import { butterfly } from './families/butterfly';
import { frontSplit } from './families/frontSplit';
import { hamstrings } from './families/hamstrings';
import { standingSplitAndKicks } from './families/kicks';
import { kneeAnkle } from './families/kneeAnkle';
import { ninetyNinety } from './families/ninetyNinety';
import { pancake } from './families/pancake';
import { rotation } from './families/rotation';
import { settling } from './families/settle';
import { sideSplit } from './families/sideSplit';
import { warmUp } from './families/warmUp';
import { wristShoulder } from './families/wristShoulder';
import { exerciseFrom, type Family } from './record';

/** The families, in the order they stand in the library. */
export const families: readonly Family[] = [
  warmUp,
  frontSplit,
  hamstrings,
  pancake,
  sideSplit,
  butterfly,
  ninetyNinety,
  rotation,
  kneeAnkle,
  standingSplitAndKicks,
  wristShoulder,
  settling
];

/** Every exercise that ships, worded for the product. Common practice (docs/sources.md#exercises). */
export const exercises: readonly Exercise[] = families.flatMap((family) =>
  family.exercises.map((record) => exerciseFrom(record, family.name))
);

const byId = new Map(exercises.map((e) => [e.id, e]));

/** The exercise of an id. Throws: RangeError for an id that is in no catalogue, which is a fault of the program. */
export function exerciseOf(id: string): Exercise {
  const exercise = byId.get(id);
  if (!exercise) throw new RangeError(`no exercise ${id}`);
  return exercise;
}
