import type { Cut, CutKind } from '$lib/core';

/** What a session is cut by, in the order it is cut. */
export const cutKindText: Readonly<Record<CutKind, string>> = {
  'extra sets': 'Extra sets',
  rounds: 'Rounds, down to one',
  holds: 'Holds, down to the least of their way',
  'second link': 'What trains the motion that limits the goal least',
  blocks: 'Whole exercises, the least missed first'
};

/** What was cut, in a line. */
export function cutText(
  { kind, exerciseId, ownName, from, to }: Cut,
  find: (exerciseId: string) => Readonly<{ name: string }>
): string {
  const name = ownName ?? find(exerciseId).name;
  if (kind === 'rounds') return `${name}: ${from} rounds to ${to}`;
  if (kind === 'holds') return `${name}: hold ${from} s to ${to} s`;
  if (kind === 'extra sets') return `${name}: ${from} sets to ${to}`;
  return `${name}: left out`;
}
