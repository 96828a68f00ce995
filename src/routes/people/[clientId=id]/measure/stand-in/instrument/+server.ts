import { error } from '@sveltejs/kit';
import { positionOf, simulateAngles } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { askOf, hiddenValue } from '$lib/server/service/standIn';
import type { RequestHandler } from './$types';

const longestMs = 120_000;

/** A simulated instrument as a stream of server-sent events, one a sample, in its own time. */
export const GET: RequestHandler = async ({ params, url, request, locals: { caseOf, today } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const ask = askOf(url);
  if (!ask.success) error(400, 'No such measure.');
  const { measure, behaves, part } = ask.data;
  const { value, seed } = hiddenValue(c, ask.data, today);
  const { zero } = positionOf(measure);
  // The limb comes from where it hangs or lies; against the upright it starts upright.
  const restDeg = part === 'zero' ? 0 : zero === 'upright' ? 90 - value : value;
  const startDeg = part === 'zero' ? 0 : zero === 'upright' ? 90 : restDeg - 35;
  const samples = simulateAngles({ restDeg, startDeg, seed, behaviour: behaves });

  const text = new TextEncoder();
  let timer: ReturnType<typeof setTimeout>;
  const stop = () => clearTimeout(timer);
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const began = performance.now();
      controller.enqueue(text.encode('retry: 2000\n\n'));
      let next = samples.next();
      const send = () => {
        const elapsedMs = performance.now() - began;
        // Everything that is due, in one go: a timer is coarser than a quick instrument.
        let due = '';
        while (!next.done && next.value.tMs <= elapsedMs) {
          due += `data: ${JSON.stringify({ ...next.value, sentAt: Date.now() })}\n\n`;
          next = samples.next();
        }
        if (due) controller.enqueue(text.encode(due));
        if (elapsedMs > longestMs) return controller.close();
        if (next.done && behaves !== 'silent') return controller.close();
        timer = setTimeout(send, 15);
      };
      send();
    },
    cancel: stop
  });
  request.signal.addEventListener('abort', stop);
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
};
