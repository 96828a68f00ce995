import { z } from 'zod';
import { rowId } from './fields';
import { exercisePhases, goals, motionIds, startPositions } from '$lib/core';

const oneOf = <T extends readonly [string, ...string[]]>(values: T) => z.enum(values).optional().catch(undefined);

/** What the address of the library asks for; what makes no sense there is left out. */
export const libraryQuery = z.object({
  q: z.string().trim().max(80).optional().catch(undefined),
  link: oneOf(motionIds as unknown as [(typeof motionIds)[number], ...(typeof motionIds)[number][]]),
  position: oneOf(startPositions),
  phase: oneOf(exercisePhases),
  goal: oneOf(goals.map((g) => g.id) as [string, ...string[]]),
  /** With which things: none but a wall and one's clothes, those on the shelf, those that the person has at home. */
  hand: z.enum(['none', 'shelf', 'home']).optional().catch(undefined),
  public: z.literal('on').optional().catch(undefined),
  view: z.enum(['list', 'rows']).optional().catch(undefined),
  client: rowId.optional().catch(undefined)
});
export type LibraryQuery = z.output<typeof libraryQuery>;

export const queryOf = (url: URL): LibraryQuery => libraryQuery.parse(Object.fromEntries(url.searchParams));
