import { cubicOut } from 'svelte/easing';
import { prefersReducedMotion, Tween } from 'svelte/motion';
import { figureBetween, type FigurePose } from '$lib/core';

const longestMs = 180;

/** A figure that goes from one pose to the next along the arcs of its limbs; at once where motion is to be reduced. */
export const movingFigure = (figure: () => FigurePose): Tween<FigurePose> =>
  Tween.of(figure, {
    duration: () => (prefersReducedMotion.current ? 0 : longestMs),
    easing: cubicOut,
    interpolate: (from, to) => (share) => figureBetween(from, to, share)
  });
