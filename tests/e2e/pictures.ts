import type { Locator, Page } from '@playwright/test';
import { rodBandCm, sceneColours } from '../../src/lib/core';

export type Point = Readonly<{ x: number; y: number }>;

/** What an eye finds in the drawn picture on the desk: stickers, floor line, and the marks of the rod. In shares of its size. */
export type Seen = Readonly<{
  vertex: Point;
  others: readonly Point[];
  floor: readonly [Point, Point];
  /** Height over the floor and place along it, by the bands of the rod, cm. */
  byRod: (p: Point) => { heightCm: number; alongCm: number };
  widthPx: number;
  heightPx: number;
}>;

type Raw = Readonly<{ width: number; height: number; cyan: Point[]; magenta: Point[]; yellow: Point[]; floor: [Point, Point] }>;

/** Looks at the picture with a machine's eye: colours alone, as a hand would use its own. */
export async function look(page: Page): Promise<Seen> {
  const raw = await page.evaluate(async (colours): Promise<Raw> => {
    const image = document.querySelector<HTMLImageElement>('[role=application] > img')!;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [image.naturalWidth, image.naturalHeight];
    const ink = canvas.getContext('2d')!;
    ink.drawImage(image, 0, 0);
    const { data, width, height } = ink.getImageData(0, 0, canvas.width, canvas.height);
    const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
    const isNear = (i: number, [r, g, b]: [number, number, number], by: number) =>
      Math.abs(data[i]! - r) + Math.abs(data[i + 1]! - g) + Math.abs(data[i + 2]! - b) < by;
    const found = (hex: string, by: number) => {
      const colour = rgb(hex);
      const points: { x: number; y: number }[] = [];
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) if (isNear((y * width + x) * 4, colour, by)) points.push({ x, y });
      return points;
    };
    const ground = rgb(colours.floor);
    const floorAt = (x: number) => {
      for (let y = 0; y < height - 6; y++)
        if ([0, 3, 6].every((d) => isNear(((y + d) * width + x) * 4, ground, 36))) return { x, y };
      throw new Error('no floor');
    };
    return {
      width,
      height,
      cyan: found(colours.vertexSticker, 120),
      magenta: found(colours.sticker, 120),
      yellow: found(colours.rodLight, 110),
      floor: [floorAt(4), floorAt(width - 5)]
    };
  }, sceneColours);

  const middle = (points: readonly Point[]): Point => ({
    x: points.reduce((s, p) => s + p.x, 0) / points.length,
    y: points.reduce((s, p) => s + p.y, 0) / points.length
  });
  const clusters: Point[][] = [];
  for (const p of raw.magenta) {
    const near = clusters.find((c) => Math.hypot(c[0]!.x - p.x, c[0]!.y - p.y) < 40);
    if (near) near.push(p);
    else clusters.push([p]);
  }

  // The rod's own line, by least squares of x on y; then where each of its light bands begins.
  const centre = middle(raw.yellow);
  const slope =
    raw.yellow.reduce((s, p) => s + (p.x - centre.x) * (p.y - centre.y), 0) /
    raw.yellow.reduce((s, p) => s + (p.y - centre.y) ** 2, 0);
  const size = Math.hypot(slope, 1);
  const up = { x: -slope / size, y: -1 / size };
  const along = { x: -up.y, y: up.x };
  const upOf = (p: Point) => (p.x - centre.x) * up.x + (p.y - centre.y) * up.y;
  const filled = [...new Set(raw.yellow.map((p) => Math.round(upOf(p))))].sort((a, b) => a - b);
  const starts = filled.filter((h, i) => i === 0 || h - filled[i - 1]! > 6);
  const pxPerCm = (starts.at(-1)! - starts[0]!) / ((starts.length - 1) * 2 * rodBandCm);
  const share = (p: Point): Point => ({ x: p.x / raw.width, y: p.y / raw.height });
  return {
    vertex: share(middle(raw.cyan)),
    others: clusters.filter((c) => c.length > 20).map((c) => share(middle(c))),
    floor: [share(raw.floor[0]), share(raw.floor[1])],
    byRod: ({ x, y }) => {
      const p = { x: x * raw.width, y: y * raw.height };
      return {
        heightCm: (upOf(p) - starts[0]!) / pxPerCm,
        alongCm: ((p.x - centre.x) * along.x + (p.y - centre.y) * along.y) / pxPerCm
      };
    },
    widthPx: raw.width,
    heightPx: raw.height
  };
}

/** Sets the next open point by pressing on the picture and letting go. */
export async function place(board: Locator, { x, y }: Point): Promise<void> {
  const box = (await board.boundingBox())!;
  const page = board.page();
  await page.mouse.move(box.x + x * box.width, box.y + y * box.height);
  await page.mouse.down();
  await page.mouse.up();
}

/** A JPEG made in the page: a flat ground with a bar across its upper edge, so that it shows which way is up. */
export async function jpeg(page: Page, width: number, height: number): Promise<Buffer> {
  const bytes = await page.evaluate(
    async ([w, h]) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [w!, h!];
      const ink = canvas.getContext('2d')!;
      ink.fillStyle = '#cccccc';
      ink.fillRect(0, 0, w!, h!);
      ink.fillStyle = '#204060';
      ink.fillRect(0, 0, w!, h! / 8);
      const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.8));
      return [...new Uint8Array(await blob!.arrayBuffer())];
    },
    [width, height]
  );
  return Buffer.from(bytes);
}

/** The same picture, with metadata that says the camera was turned by a quarter (orientation 6 of the EXIF standard). */
export function turnedByMetadata(picture: Buffer): Buffer {
  const tiff = Buffer.alloc(26);
  tiff.write('MM', 0);
  tiff.writeUInt16BE(42, 2);
  tiff.writeUInt32BE(8, 4);
  tiff.writeUInt16BE(1, 8); // one entry
  tiff.writeUInt16BE(0x0112, 10); // orientation
  tiff.writeUInt16BE(3, 12); // a short
  tiff.writeUInt32BE(1, 14);
  tiff.writeUInt16BE(6, 18);
  const body = Buffer.concat([Buffer.from('Exif\0\0'), tiff]);
  const head = Buffer.alloc(4);
  head.writeUInt16BE(0xffe1, 0);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([picture.subarray(0, 2), head, body, picture.subarray(2)]);
}

/** The head of a PNG of any size, without its picture. */
export function pngHead(width: number, height: number): Buffer {
  const head = Buffer.alloc(33);
  Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]).copy(head);
  head.writeUInt32BE(13, 8);
  head.write('IHDR', 12);
  head.writeUInt32BE(width, 16);
  head.writeUInt32BE(height, 20);
  head.set([8, 2, 0, 0, 0], 24);
  return head;
}
