import type { StartOrigin } from '$lib/core';

/** Where the figure comes from that a dial begins with. */
export const startWords = {
  taught: 'As it is taught for this exercise.',
  school: 'The usual figure of the way of working.',
  ours: 'Our start, low on purpose.'
} as const satisfies Record<StartOrigin, string>;
