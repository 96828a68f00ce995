import { compute } from '$lib/contract/door';
import { fromCm, parseDecimal, toCm, type LengthUnit } from '$lib/contract/fields';
import { photoLimits } from '$lib/contract/photoForms';
import type { Result } from '$lib/contract/problem';
import {
  needsBlock,
  needsLine,
  photoResult,
  pictureFrame,
  type Landmark,
  type PhotoPoints,
  type PhotoResult,
  type PhotoSpec
} from '$lib/core';
import { drawnPictureAt, openPicture, pictureOf, type OpenedPicture, type PictureTrouble } from './openPicture';

type Point = Readonly<{ x: number; y: number }>;
export type PointId = Landmark | 'lineFrom' | 'lineTo' | 'blockBottom' | 'blockTop';
export type PointRow = Readonly<{ id: PointId; label: string }>;

const troubleText: Record<PictureTrouble, string> = {
  'too large': `This file has more than ${photoLimits.fileMb} MB. Take the picture again at a lower setting, or make it smaller first.`,
  'too many pixels': `This picture has more than ${photoLimits.filePixels / 1e6} million picture elements. Make it smaller first.`,
  'no picture': 'This file is no picture that can be read here. Take JPEG, PNG or WebP.',
  'worker died':
    'The picture could not be opened: perhaps there is too little memory. Close other pages, or take a smaller picture.'
};

/** A picture on the desk and the points set on it. */
export class PhotoDesk {
  #spec: () => PhotoSpec;
  #unit: () => LengthUnit;
  picture = $state.raw<(OpenedPicture & { url: string }) | null>(null);
  film = $state.raw<string | null>(null);
  points = $state<Partial<Record<PointId, Point>>>({});
  /** The point that the next tap sets. */
  active = $state<PointId | null>(null);
  lineKind = $state<'floor' | 'plumb'>('floor');
  lineGuessed = $state(false);
  blockTyped = $state('');
  busy = $state(false);
  trouble = $state<string | null>(null);
  #opening: AbortController | null = null;

  constructor(spec: () => PhotoSpec, unit: () => LengthUnit) {
    this.#spec = spec;
    this.#unit = unit;
    this.blockTyped = String(Math.round(fromCm(10, unit()) * 10) / 10);
  }

  get usesLine(): boolean {
    return needsLine(this.#spec());
  }
  get usesBlock(): boolean {
    return needsBlock(this.#spec());
  }

  /** The points to set, in their order. */
  get rows(): PointRow[] {
    const landmarks = Object.entries(this.#spec().names).map(([id, label]) => ({ id: id as Landmark, label: label! }));
    const line: PointRow[] =
      this.lineKind === 'floor'
        ? [
            { id: 'lineFrom', label: 'floor line, one end' },
            { id: 'lineTo', label: 'floor line, other end' }
          ]
        : [
            { id: 'lineFrom', label: 'straight edge, foot' },
            { id: 'lineTo', label: 'straight edge, top' }
          ];
    const block: PointRow[] = [
      { id: 'blockBottom', label: 'block, bottom' },
      { id: 'blockTop', label: 'block, top' }
    ];
    return [...landmarks, ...(this.usesLine ? line : []), ...(this.usesBlock ? block : [])];
  }

  get blockCm(): number {
    const typed = parseDecimal(this.blockTyped);
    return typed === null ? 0 : toCm(typed, this.#unit());
  }

  get placed(): PhotoPoints {
    const { lineFrom: from, lineTo: to, blockBottom: bottom, blockTop: top, ...landmarks } = this.points;
    return {
      landmarks,
      line: this.usesLine && from && to ? { kind: this.lineKind, from, to } : null,
      block: this.usesBlock && bottom && top ? { bottom, top, heightCm: this.blockCm } : null
    };
  }

  get isWhole(): boolean {
    return this.picture !== null && this.rows.every(({ id }) => this.points[id]);
  }

  /** Where the height ends on the floor line; null for an angle, or while a point is open. */
  get foot(): Point | null {
    const spec = this.#spec();
    if (spec.kind !== 'height' || this.lineKind !== 'floor' || !this.isWhole) return null;
    const frame = compute(() => pictureFrame(spec, this.placed));
    return frame.ok ? frame.value.anchor : null;
  }

  /** What the points say; null until all are set. */
  result(pxPerShownPx: number): Result<PhotoResult> | null {
    if (!this.isWhole) return null;
    return compute(() => photoResult(this.#spec(), this.placed, pxPerShownPx));
  }

  async #show(opening: Promise<OpenedPicture | string | null>): Promise<void> {
    this.busy = true;
    this.trouble = null;
    const opened = await opening.catch(() => troubleText['no picture']);
    this.busy = false;
    if (opened === null) return; // cancelled
    if (typeof opened === 'string') {
      this.trouble = opened;
      return;
    }
    this.clear();
    this.picture = { ...opened, url: URL.createObjectURL(opened.blob) };
    this.active = this.rows[0]!.id;
  }

  /** A picture, or a film of which a frame is picked. */
  async openFile(file: File): Promise<void> {
    this.cancel();
    if (file.type.startsWith('video/')) {
      if (file.size > photoLimits.filmMb * 1024 * 1024) {
        this.trouble = `This film has more than ${photoLimits.filmMb} MB. A few seconds are enough.`;
        return;
      }
      this.clear();
      this.trouble = null;
      this.film = URL.createObjectURL(file);
      return;
    }
    const opening = new AbortController();
    this.#opening = opening;
    await this.#show(
      openPicture(file, opening.signal).then((opened) =>
        opened === null ? null : opened.ok ? opened.picture : troubleText[opened.trouble]
      )
    );
  }

  openFrame = (video: HTMLVideoElement): Promise<void> => this.#show(pictureOf(video, video.videoWidth, video.videoHeight));
  openDrawn = (address: string): Promise<void> => this.#show(drawnPictureAt(address));

  filmFailed(): void {
    this.clear();
    this.trouble = 'This film cannot be played here. Take WebM or MP4, or a picture.';
  }

  cancel(): void {
    this.#opening?.abort();
    this.#opening = null;
    this.busy = false;
  }

  /** Sets a point, within the picture; the tap after it sets the next open one. */
  set(id: PointId, { x, y }: Point): void {
    if (!this.picture) return;
    const { widthPx, heightPx } = this.picture;
    this.points[id] = { x: Math.min(widthPx, Math.max(0, x)), y: Math.min(heightPx, Math.max(0, y)) };
  }

  next(): void {
    this.active = this.rows.find(({ id }) => !this.points[id])?.id ?? null;
  }

  clear(): void {
    if (this.picture) URL.revokeObjectURL(this.picture.url);
    if (this.film) URL.revokeObjectURL(this.film);
    this.picture = null;
    this.film = null;
    this.points = {};
    this.active = null;
  }
}
