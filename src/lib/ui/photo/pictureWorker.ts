import { imageSize } from 'image-size';
import { photoLimits } from '$lib/contract/photoForms';
import type { Opened } from './openPicture';

/** Enough of a file to read its size from; a camera's preview and metadata come first. */
const headBytes = 2 * 1024 * 1024;

/** Decodes, turns upright as the file's metadata says, makes smaller, and leaves the metadata behind. */
async function open(file: Blob): Promise<Opened> {
  try {
    const { width, height } = imageSize(new Uint8Array(await file.slice(0, headBytes).arrayBuffer()));
    if (width * height > photoLimits.filePixels) return { ok: false, trouble: 'too many pixels' };
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const share = Math.min(1, photoLimits.keptPx / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(Math.round(bitmap.width * share), Math.round(bitmap.height * share));
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    bitmap.close();
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
    return { ok: true, picture: { blob, widthPx: canvas.width, heightPx: canvas.height } };
  } catch {
    return { ok: false, trouble: 'no picture' };
  }
}

self.onmessage = async ({ data }: MessageEvent<Blob>) => self.postMessage(await open(data));
