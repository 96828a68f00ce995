import { z } from 'zod';

/** A snapshot that stands in for data that could not be opened: when it was taken, and where the damaged files are. */
export const Restored = z.object({ takenAt: z.iso.datetime(), damagedDir: z.string() });
export type Restored = z.output<typeof Restored>;

/** Days after which a snapshot goes, unless it is the newest. */
export const longestSnapshotDays = 35;
