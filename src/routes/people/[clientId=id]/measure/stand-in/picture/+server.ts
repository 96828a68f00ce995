import { error } from '@sveltejs/kit';
import { drawnPicture, poseFigure, positionOf } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { bodyOf } from '$lib/server/service/clientCase';
import { askOf, hiddenValue } from '$lib/server/service/standIn';
import type { RequestHandler } from './$types';

/** A drawn picture of the position, for where there is no camera: of nobody, with its number hidden in it. */
export const GET: RequestHandler = async ({ params, url, locals: { caseOf, today } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const ask = askOf(url);
  if (!ask.success) error(400, 'No such measure.');
  const { value, seed } = hiddenValue(c, ask.data, today);
  const figure = poseFigure(positionOf(ask.data.measure).pose, { side: ask.data.side ?? 'left', value }, bodyOf(c.client));
  return new Response(drawnPicture(figure, seed).svg, {
    headers: {
      'content-type': 'image/svg+xml',
      'cache-control': 'no-store',
      'content-security-policy': "default-src 'none'; sandbox"
    }
  });
};
