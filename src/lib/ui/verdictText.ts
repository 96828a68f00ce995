import type { Verdict } from '$lib/core';

/** The word of a decision on every page. */
export const verdictText: Readonly<Record<Verdict, string>> = { deepen: 'Harder', stay: 'Keep', ease: 'Easier', stop: 'Stop' };
