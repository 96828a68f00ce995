import type { TimedHold } from '$lib/core';

/** A hold in words: "60 s", "8 breaths", "60 slow counts", "60 s at most, until it eases". */
export function holdText(holdS: number, { goesBy, beatS = 1 }: TimedHold = {}, seconds = `${holdS} s`): string {
  const beats = Math.max(1, Math.round(holdS / beatS));
  switch (goesBy) {
    case undefined:
      return seconds;
    case 'counts':
      return `${beats} slow counts`;
    case 'breaths':
      return `${beats} ${beats === 1 ? 'breath' : 'breaths'}`;
    case 'until eased':
      return `${seconds} at most, until it eases`;
  }
}

/** What is called while it is held. */
export const holdCues = {
  counts: 'Count slowly, one a second.',
  breaths: 'Breathe slowly, and count the breaths.',
  'until eased': 'Stay until the stretch eases, no longer than this.'
} as const satisfies Readonly<Record<NonNullable<TimedHold['goesBy']>, string>>;
