import { z } from 'zod';
import { poseIds, type Exercise } from '$lib/core';

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
