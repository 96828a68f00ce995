import { z } from 'zod';
import { measureId } from '$lib/contract/measureForms';
import { behaviours, measureModes, measureOf, seedOf, sides, standInValue } from '$lib/core';
import { latestTaken } from './taken';
import type { ClientCase } from './clientCase';

/** What a stand-in is asked for: a measure on a side of a client, and which trial, so that no two readings are alike. */
export const standInAsk = z.object({
  measure: measureId,
  side: z.enum(sides).nullable().catch(null),
  mode: z.enum(measureModes).catch('passive'),
  trial: z.coerce.number().int().min(1).max(99).catch(1),
  behaves: z.enum(behaviours).catch('well'),
  /** The zero is being taken on the other part of the joint. */
  part: z.enum(['limb', 'zero']).catch('limb')
});
export type StandInAsk = z.output<typeof standInAsk>;

/** The ask of a request's address. */
export const askOf = (url: URL) => standInAsk.safeParse(Object.fromEntries(url.searchParams));

/** What the stand-in's body really is today, the same for every instrument and picture; and the seed of one reading of it. */
export function hiddenValue(
  c: ClientCase,
  { measure, side, mode, trial }: StandInAsk,
  today: string
): { value: number; seed: number } {
  const place = `${c.client.id}/${measure}/${side ?? 'both'}/${mode}/${today}`;
  const last = latestTaken(c, measure, side, mode)?.value ?? null;
  return { value: standInValue(measureOf(measure), last, seedOf(place)), seed: seedOf(`${place}/${trial}`) };
}
