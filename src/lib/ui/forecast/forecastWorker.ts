import { CoreError, headlineForecast, type HeadlineAsk } from '$lib/core';
import type { Told } from './foretelling.svelte';

/** Foretells off the page's own thread; answers under the number it was asked by. */
function tell({ number, ask }: { number: number; ask: HeadlineAsk }): Told {
  try {
    return { number, forecast: headlineForecast(ask) };
  } catch (problem) {
    if (problem instanceof CoreError) return { number, forecast: null };
    throw problem;
  }
}

self.onmessage = ({ data }: MessageEvent<{ number: number; ask: HeadlineAsk }>) => self.postMessage(tell(data));
