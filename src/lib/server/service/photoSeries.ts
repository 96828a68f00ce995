import type { Taken } from '$lib/contract/taken';
import { changeVerdict, measureOf, type Change, type MeasureMode, type Side } from '$lib/core';
import type { Photo } from '../repo/photoRepo';
import type { ClientCase } from './clientCase';
import { comparesKey, takenOf } from './taken';

export type PhotoSeries = Readonly<{
  key: string;
  measureId: string;
  side: Side | null;
  mode: MeasureMode;
  photos: readonly Photo[];
}>;

/** Pictures of one measure, side and mode, oldest first: those that can be laid beside each other. */
export function photoSeries(photos: readonly Photo[]): PhotoSeries[] {
  const series = new Map<string, PhotoSeries>();
  for (const photo of photos) {
    const { measureId, side, mode } = photo;
    const key = [measureId, side ?? 'both', mode].join('/');
    series.set(key, { key, measureId, side, mode, photos: [...(series.get(key)?.photos ?? []), photo] });
  }
  return [...series.values()];
}

/** What was taken with a picture, whole. */
export const takenWith = (c: ClientCase, p: Photo): Taken | null =>
  takenOf(c).find(
    (r) =>
      r.occasionId === p.occasionId && r.measureId === p.measureId && r.side === p.side && r.mode === p.mode && r.way === p.way
  ) ?? null;

/** What changed between two pictures; null where they were not taken alike. */
export function changeBetween(c: ClientCase, before: Photo, after: Photo): Change | null {
  const [a, b] = [takenWith(c, before), takenWith(c, after)];
  if (!a || !b || comparesKey(a, a.bodyState) !== comparesKey(b, b.bodyState)) return null;
  const measure = measureOf(after.measureId);
  return b.error && changeVerdict({ before: a, after: b, betterIs: measure.betterIs, ...b.error });
}
