import { browser } from '$app/environment';
import { cubicOut } from 'svelte/easing';
import { prefersReducedMotion, Tween } from 'svelte/motion';
import { figureBetween, type FigurePose } from '$lib/core';

const longestMs = 180;

/**
 * A figure that goes from one pose to the next along the arcs of its limbs; at once where motion is to be reduced.
 *
 * On the server nothing moves: a tween made there is never let go of, and the whole request with it.
 */
export function movingFigure(figure: () => FigurePose): { readonly current: FigurePose } {
  if (!browser)
    return {
      get current() {
        return figure();
      }
    };
  return Tween.of(figure, {
    duration: () => (prefersReducedMotion.current ? 0 : longestMs),
    easing: cubicOut,
    interpolate: (from, to) => (share) => figureBetween(from, to, share)
  });
}
