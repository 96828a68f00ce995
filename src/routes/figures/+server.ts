import { error } from '@sveltejs/kit';
import { render } from 'svelte/server';
import theme from '../../app.css?raw';
import { figureAsk } from '$lib/contract/figureAsk';
import { usualBody } from '$lib/core';
import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
import type { RequestHandler } from './$types';

/** The colours of the theme; which of the two follows the page the picture stands in. */
const colours = `<style>:root{color-scheme:light dark;${theme.match(/--color-[a-z-]+: [^;*]+;/g)!.join('')}}</style>`;

/** A small figure as a picture of its own, kept by the browser: the address says all there is to know of it. */
export const GET: RequestHandler = ({ url }) => {
  const ask = figureAsk.safeParse(Object.fromEntries(url.searchParams));
  if (!ask.success) error(400, 'There is no such figure.');
  const { pose, at } = ask.data;
  const setting = { side: 'right' as const, ...(at !== undefined && { value: at }) };
  const { body } = render(PoseDrawing, { props: { pose, setting, body: usualBody, label: pose } });
  const svg = body.slice(body.indexOf('<svg'), body.lastIndexOf('</svg>') + 6);
  return new Response(svg.replace(/<svg ([^>]*)>/, `<svg xmlns="http://www.w3.org/2000/svg" $1>${colours}`), {
    headers: { 'content-type': 'image/svg+xml', 'cache-control': 'public, max-age=31536000, immutable' }
  });
};
