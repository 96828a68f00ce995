import type { Win } from '$lib/core';
import type { LengthUnit } from '$lib/contract/fields';
import { clockText, depthText, headlineText } from './format';

/** A small win in one sentence, without its day. */
export function winText(win: Win, nameOf: (exerciseId: string) => string, headline: string, unit: LengthUnit): string {
  const side = win.side ? `, ${win.side}` : '';
  switch (win.code) {
    case 'first lift':
      return `First lift as planned: ${nameOf(win.exerciseId)}${side}.`;
    case 'longest hold':
      return `Longest hold: ${clockText(win.holdS)} in ${nameOf(win.exerciseId)}${side}; it began at ${clockText(win.beforeS)}.`;
    case 'first at height':
      return `First time at ${depthText(win.heightCm, unit)}: ${nameOf(win.exerciseId)}${side}.`;
    case 'goal reached':
      return `The goal was measured${side}: ${headlineText(win.value, headline, unit)}.`;
    case 'stage opened':
      return `Stage opened: ${win.name}.`;
  }
}
