import { photoLimits } from '$lib/contract/photoForms';

/** What can be wrong with a file that is opened; each has a sentence in PhotoDesk. */
export type PictureTrouble = 'too large' | 'too many pixels' | 'no picture' | 'worker died';
export type OpenedPicture = Readonly<{ blob: Blob; widthPx: number; heightPx: number }>;
export type Opened = Readonly<{ ok: true; picture: OpenedPicture } | { ok: false; trouble: PictureTrouble }>;

/**
 * A picture file upright and small enough to keep, made off the page's own thread; what its metadata said is gone with it.
 * Cancelled by the signal, it answers null.
 */
export function openPicture(file: Blob, signal: AbortSignal): Promise<Opened | null> {
  if (file.size > photoLimits.fileMb * 1024 * 1024) return Promise.resolve({ ok: false, trouble: 'too large' });
  const worker = new Worker(new URL('./pictureWorker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve) => {
    const settle = (answer: Opened | null) => {
      worker.terminate();
      resolve(answer);
    };
    signal.addEventListener('abort', () => settle(null));
    worker.onmessage = ({ data }: MessageEvent<Opened>) => settle(data);
    worker.onerror = () => settle({ ok: false, trouble: 'worker died' });
    worker.postMessage(file);
  });
}

/** A drawing or the frame of a film as a picture: something a canvas can take. */
export async function pictureOf(source: CanvasImageSource, widthPx: number, heightPx: number): Promise<OpenedPicture> {
  const share = Math.min(1, photoLimits.keptPx / Math.max(widthPx, heightPx));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(widthPx * share);
  canvas.height = Math.round(heightPx * share);
  canvas.getContext('2d')!.drawImage(source, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.9));
  return { blob: blob!, widthPx: canvas.width, heightPx: canvas.height };
}

/** A drawn picture from an address. */
export async function drawnPictureAt(address: string): Promise<OpenedPicture> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`no picture: ${answer.status}`);
  const url = URL.createObjectURL(new Blob([await answer.text()], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    return await pictureOf(image, image.naturalWidth, image.naturalHeight);
  } finally {
    URL.revokeObjectURL(url);
  }
}
