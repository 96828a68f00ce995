import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { photoLimits } from '$lib/contract/photoForms';
import type { PhotoSpec } from '$lib/core';
import { PhotoDesk, type PointId } from './photoDesk.svelte';

const height: PhotoSpec = { kind: 'height', names: { point: 'underside of the pelvis' } } as PhotoSpec;

/** Stands in for the worker that makes a picture small. */
class PictureWorker {
  static answer: unknown;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  terminated = false;
  postMessage(): void {
    queueMicrotask(() => {
      if (this.terminated) return;
      if (PictureWorker.answer === 'dies') this.onerror?.();
      else if (PictureWorker.answer !== 'never') this.onmessage?.({ data: PictureWorker.answer });
    });
  }
  terminate(): void {
    this.terminated = true;
  }
}

beforeEach(() => {
  vi.stubGlobal('Worker', PictureWorker);
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: vi.fn() }));
  PictureWorker.answer = { ok: true, picture: { blob: new Blob(), widthPx: 1000, heightPx: 800 } };
});
afterEach(() => void vi.unstubAllGlobals());

const file = (type = 'image/jpeg', size?: number): File => {
  const made = new File(['x'], 'picture', { type });
  if (size !== undefined) Object.defineProperty(made, 'size', { value: size });
  return made;
};

async function desk(spec: PhotoSpec = height, unit: 'cm' | 'in' = 'cm') {
  const made = new PhotoDesk(
    () => spec,
    () => unit
  );
  await made.openFile(file());
  return made;
}

const set = (on: PhotoDesk, points: Partial<Record<PointId, [x: number, y: number]>>) => {
  for (const [id, [x, y]] of Object.entries(points)) on.set(id as PointId, { x, y });
};

// A block of 10 cm is 100 px high: 10 px a centimetre. The point lies 250 px over the floor line: 25 cm.
const whole = {
  point: [500, 450],
  lineFrom: [0, 700],
  lineTo: [1000, 700],
  blockBottom: [800, 700],
  blockTop: [800, 600]
} satisfies Partial<Record<PointId, [number, number]>>;

describe('points on a picture', () => {
  test('a height is read against the floor line by the block beside it', async () => {
    const on = await desk();
    set(on, whole);
    const result = on.result(1);
    expect(result?.ok && result.value.value.value).toBeCloseTo(25, 6);
    expect(on.foot!.y).toBeCloseTo(700, 6);
  });

  test('the same picture tilted by five degrees reads the same', async () => {
    const on = await desk();
    const turn = (5 * Math.PI) / 180;
    const tilted = Object.fromEntries(
      Object.entries(whole).map(([id, [x, y]]) => {
        const [dx, dy] = [x - 500, y - 400];
        return [id, [500 + dx * Math.cos(turn) - dy * Math.sin(turn), 400 + dx * Math.sin(turn) + dy * Math.cos(turn)]] as const;
      })
    );
    set(on, tilted as typeof whole);
    // One end of the line leaves the picture and is put at its edge: the height still agrees to a centimetre.
    const result = on.result(1);
    expect(Math.abs((result?.ok ? result.value.value.value : 0) - 25)).toBeLessThan(1);
  });

  test('says nothing while a point is open, and which is next', async () => {
    const on = await desk();
    expect(on.active).toBe('point');
    const { blockTop: _open, ...others } = whole;
    set(on, others);
    expect([on.isWhole, on.result(1)]).toEqual([false, null]);
    on.next();
    expect(on.active).toBe('blockTop');
    set(on, whole);
    on.next();
    expect(on.active).toBeNull();
  });

  test('a block in inches is one; one without a height gives no scale', async () => {
    const on = await desk(height, 'in');
    expect(on.blockTyped).toBe('3.9');
    set(on, whole);
    on.blockTyped = '4';
    const result = on.result(1);
    expect(result?.ok && result.value.value.value).toBeCloseTo(25.4, 6);
    on.blockTyped = '';
    expect(on.result(1)).toMatchObject({ ok: false });
  });

  test('a point outside the picture is put at its edge', async () => {
    const on = await desk();
    on.set('point', { x: -40, y: 9000 });
    expect(on.points.point).toEqual({ x: 0, y: 800 });
  });

  test('both ends of the floor line in one place are told, not read', async () => {
    const on = await desk();
    set(on, { ...whole, lineTo: [0, 700] });
    expect(on.result(1)).toMatchObject({ ok: false, problem: { code: 'line_ends_coincide' } });
  });
});

describe('opening', () => {
  test('another picture begins without the points of the first', async () => {
    const on = await desk();
    set(on, whole);
    await on.openFile(file());
    expect([on.points, on.active, on.isWhole]).toEqual([{}, 'point', false]);
  });

  test.each([
    ['too large', /more than 50 MB/],
    ['too many pixels', /million picture elements/],
    ['no picture', /no picture that can be read/]
  ] as const)('%s: told, and what stood there stays', async (trouble, text) => {
    const on = await desk();
    set(on, whole);
    PictureWorker.answer = { ok: false, trouble };
    await on.openFile(file());
    expect(on.trouble).toMatch(text);
    expect(on.isWhole).toBe(true);
    expect(on.busy).toBe(false);
  });

  test('a worker that dies is told', async () => {
    const on = await desk();
    PictureWorker.answer = 'dies';
    await on.openFile(file());
    expect(on.trouble).toMatch(/could not be opened/);
  });

  test('a file too large is not even begun', async () => {
    const on = await desk();
    PictureWorker.answer = 'never';
    await on.openFile(file('image/jpeg', photoLimits.fileMb * 1024 * 1024 + 1));
    expect(on.trouble).toMatch(/more than 50 MB/);
  });

  test('opening that is cancelled changes nothing', async () => {
    const on = await desk();
    set(on, whole);
    PictureWorker.answer = 'never';
    const opening = on.openFile(file());
    expect(on.busy).toBe(true);
    on.cancel();
    await opening;
    expect([on.busy, on.trouble, on.isWhole]).toEqual([false, null, true]);
  });

  test('a film waits for its frame; one that cannot be played is told', async () => {
    const on = await desk();
    await on.openFile(file('video/webm'));
    expect([on.film, on.picture]).toEqual(['blob:x', null]);
    on.filmFailed();
    expect(on.film).toBeNull();
    expect(on.trouble).toMatch(/cannot be played/);
    await on.openFile(file('video/webm', photoLimits.filmMb * 1024 * 1024 + 1));
    expect(on.trouble).toMatch(/more than 200 MB/);
  });
});
