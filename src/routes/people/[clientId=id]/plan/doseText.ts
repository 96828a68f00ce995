import type { Work } from '$lib/core';
import { plural } from '$lib/ui/format';

/** What is done on one side, in a line: sets, holds, rounds, efforts. */
export function doseText({ form, sets }: Pick<Work, 'form' | 'sets'>): string {
  const times = sets > 1 ? `${sets} × ` : '';
  switch (form.kind) {
    case 'cycle': {
      const { holdS, rounds, press, draw } = form.spec;
      const efforts = [press && `press ${press.peakPct} %`, draw && `draw ${draw.peakPct} %`].filter(Boolean).join(', ');
      return `${times}hold ${holdS} s, ${plural(rounds, 'round')}: ${efforts}`;
    }
    case 'reps':
      return `${times}${form.spec.reps} lifts of ${form.spec.holdS} s`;
    case 'hold':
      return `${times}${form.spec.holdS} s`;
    case 'flow':
      return '';
  }
}
