import { error } from '@sveltejs/kit';
import { limbTilt, poses, positionOf, simulateAngles, tiltAlong } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { bodyOf } from '$lib/server/service/clientCase';
import { askOf, hiddenValue } from '$lib/server/service/standIn';
import type { RequestHandler } from './$types';

const longestMs = 120_000;

/** A simulated device, laid on the limb of a made-up body: how it is tilted, as a stream of server-sent events in their own time. */
export const GET: RequestHandler = async ({ params, url, request, locals: { caseOf, today } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const ask = askOf(url);
  if (!ask.success) error(400, 'No such measure.');
  const { measure, side, behaves, part } = ask.data;
  const { value, seed } = hiddenValue(c, ask.data, today);
  const position = positionOf(measure);
  const lieAt = (v: number) => limbTilt(position, { side: side ?? 'left', value: v }, bodyOf(c.client));
  const lie = lieAt(value);
  const restDeg = part === 'zero' ? (lie.zeroDeg ?? 0) : lie.limbDeg;
  // The limb comes from where it begins; the other part of the joint lies still.
  const startDeg = part === 'zero' ? restDeg : lieAt(poses[position.pose].range[0]).limbDeg;
  const samples = simulateAngles({ restDeg, startDeg, seed, behaviour: behaves });
  const rollDeg = (seed % 31) - 15;

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
          const { tMs, deg } = next.value;
          const tilt = deg === null ? { betaDeg: null, gammaDeg: null } : tiltAlong(deg, rollDeg);
          due += `data: ${JSON.stringify({ tMs, ...tilt, sentAt: Date.now() })}\n\n`;
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
