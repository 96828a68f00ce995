import type { Mend } from '$lib/core';

/** Minutes more a session that are offered where a week has no room, and nothing says how many. */
const usuallyMore = 5;

/** The minutes of a session that would mend a note. */
export const minutesAfter = (minutes: number, mend: Mend): number =>
  minutes + ('more' in mend && mend.more !== undefined ? mend.more : usuallyMore);
