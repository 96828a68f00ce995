import { subDays } from 'date-fns';
import { z } from 'zod';
import { removedDays } from '$lib/contract/fields';

/** A row of what was taken out and can be put back: what it is called, and since when it is gone. */
export const takenOutRow = <Id extends z.ZodType>(id: Id) => z.object({ id, text: z.string(), removedAt: z.string() });
export type TakenOut<Id> = Readonly<{ id: Id; text: string; removedAt: string }>;

/** Returns the instant since when what was taken out can still be put back. */
export const takenOutSince = (now: Date): string => subDays(now, removedDays).toISOString();
