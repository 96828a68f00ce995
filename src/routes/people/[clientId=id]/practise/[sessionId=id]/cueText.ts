import { exerciseOf, type Phase, type TimelineSet } from '$lib/core';

type Cue = Readonly<{ text: string; tone: 'ink' | 'ember' | 'fern' }>;

/** The one cue, large: what to do now, with the announced effort where there is one. */
export function cueOf(phase: Phase, announcedPct: number, set: TimelineSet): Cue {
  switch (phase.kind) {
    case 'press up':
    case 'press':
      return { text: announcedPct === 0 ? 'Begin to press' : `Press ${announcedPct} %`, tone: 'ember' };
    case 'press down':
      return { text: `Release ${announcedPct} %`, tone: 'ember' };
    case 'draw up':
      return { text: announcedPct === 0 ? 'Begin to draw' : `Draw ${announcedPct} %`, tone: 'fern' };
    case 'draw':
      return { text: `Draw ${announcedPct} %`, tone: 'fern' };
    case 'draw down':
      return { text: `Release ${announcedPct} %`, tone: 'fern' };
    case 'lift':
      return { text: 'Lift', tone: 'fern' };
    case 'held':
      return { text: 'Hold it there', tone: 'fern' };
    case 'lower':
      return { text: 'Lower slowly', tone: 'fern' };
    case 'turn':
      return { text: 'Let go', tone: 'ink' };
    case 'settle':
      return { text: 'Settle', tone: 'ink' };
    case 'hold':
      return { text: 'Hold', tone: 'ink' };
    case 'ready':
      return { text: set.sideChange ? 'Change sides' : 'Get ready', tone: 'ink' };
    case 'rest':
      return { text: 'Rest', tone: 'ink' };
    case 'move':
      return { text: 'Move', tone: 'ink' };
  }
}

/** The line under the cue: how, in plain words. */
export function howOf(phase: Phase, set: TimelineSet): string {
  const exercise = exerciseOf(set.exerciseId);
  if (phase.kind.startsWith('press')) return exercise.press ?? phase.cue;
  if (phase.kind.startsWith('draw')) return exercise.draw ?? phase.cue;
  if (phase.kind === 'ready') return exercise.setup.join(' ');
  return phase.cue;
}
