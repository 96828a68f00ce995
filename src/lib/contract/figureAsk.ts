import { z } from 'zod';
import { exerciseOf, goalOf, recipeOf, poseIds, positionOf, type Exercise } from '$lib/core';

/** What the address of a small figure asks for. */
export const figureAsk = z.object({
  pose: z.enum(poseIds),
  at: z.coerce.number().optional(),
  /** The version of the application, so that a figure that was redrawn is fetched anew. */
  v: z.string().optional()
});

/** The address of the small figure of an exercise; null where it has none. */
export function figureHref({ pose, path }: Pick<Exercise, 'pose' | 'path'>, version: string): string | null {
  if (!pose) return null;
  const at = path?.at(-1);
  const asked = new URLSearchParams({ pose, v: version });
  if (at !== undefined) asked.set('at', String(at));
  return `/figures?${asked}`;
}

/** The address of the small figure of a goal at its usual end, of one told by ease that of its first exercise; null for one of a person's own. */
export function goalFigureHref(goalId: string, version: string): string | null {
  const { headline, target } = goalOf(goalId);
  const first = recipeOf({ goal: goalId, stage: 0, school: null })?.roles[0]?.candidates[0];
  if (goalId === 'custom') return null;
  if (headline === 'ease' && first) return figureHref(exerciseOf(first.id), version);
  const { pose, drives } = positionOf(headline);
  return figureHref({ pose, path: drives && target !== null ? [target, target] : undefined }, version);
}
