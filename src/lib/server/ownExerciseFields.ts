import { ownDialRows } from '$lib/contract/exerciseForms';
import type { Typed } from './submitted';

/** Names of the form's fields that may come several times. */
export const ownExerciseLists = ['phases', 'kinds', 'links', 'props', 'traits'] as const;

const dialFields = ['id', 'kind', 'name', 'min', 'max', 'step', 'harder', 'levels', 'under'] as const;

/** The flat form of an own exercise as the schema reads it: dials in rows, neighbours in lists. */
export function ownExerciseShape(typed: Typed): unknown {
  const dials = Array.from({ length: ownDialRows }, (_, i) =>
    Object.fromEntries(
      dialFields.flatMap((f) => (typed[`dial${i}_${f}`] === undefined ? [] : [[f, typed[`dial${i}_${f}`]] as const]))
    )
  );
  const one = (name: string) => (typed[name] ? [typed[name]] : []);
  return { ...typed, dials, easier: one('easier'), harder: one('harder') };
}
