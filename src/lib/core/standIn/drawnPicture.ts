import { toRad } from '../geometry/angles';
import { isFromAbove } from '../figure/pose';
import type { FigurePose } from '../figure/poseFigure';
import { limbOutline } from '../figure/limbs';
import type { Point } from '../geometry/point';
import type { PhotoPoints } from '../photo/photoResult';
import { normalDraw, seededRandom } from '../geometry/random';

export type DrawnPicture = Readonly<{
  svg: string;
  widthPx: number;
  heightPx: number;
  /** Where the landmarks, the floor line and the block really are in it. */
  points: PhotoPoints;
}>;

/** Colours of the drawn scene. Nothing else in it is yellow, magenta, cyan or red, so that stickers and rod are found by eye or by machine. */
export const sceneColours = {
  wall: '#d9d6cf',
  floor: '#a9a294',
  cloth: '#5d6b78',
  clothFar: '#7b8794',
  skin: '#b58a6c',
  block: '#c69a63',
  blockEdge: '#6b4a22',
  floorLine: '#3f3a33',
  rodLight: '#ffe600',
  rodDark: '#111111',
  sticker: '#ff00c8',
  vertexSticker: '#00e0ff'
} as const;

/** Height of the block that stands in the scene, and length of a band of the rod, cm. */
export const sceneBlockCm = 10;
export const rodBandCm = 5;

/**
 * The picture a camera would take of a figure: turned a little, with stickers on the landmarks, a block of known height and a
 * banded measuring rod standing on the floor. Drawn, never of a person.
 *
 * Model:  the figure's own silhouette, without perspective; the camera's turn and place come from the seed.
 * Units:  SVG picture elements.
 */
export function drawnPicture(figure: FigurePose, seed: number, widthPx = 1600, heightPx = 1200): DrawnPicture {
  const random = seededRandom(seed);
  const rollDeg = 1.6 * normalDraw(random);
  const { box } = figure;
  const fromAbove = isFromAbove(figure.view);
  const rodCm = fromAbove ? 0 : Math.min(140, Math.max(60, Math.ceil((box.maxY + 8) / rodBandCm) * rodBandCm));
  const wide = {
    minX: box.minX - 28,
    maxX: box.maxX + 20,
    minY: fromAbove ? box.minY - 16 : -16,
    maxY: Math.max(box.maxY, rodCm) + 10
  };
  const pxPerCm = Math.min(widthPx / (wide.maxX - wide.minX), heightPx / (wide.maxY - wide.minY)) * (0.9 + 0.06 * random());
  const middle = { x: (wide.minX + wide.maxX) / 2, y: (wide.minY + wide.maxY) / 2 };
  const inner = [
    ...(fromAbove ? [] : [`<path d="M-900 0H900V-900H-900Z" fill="${sceneColours.floor}"/>`]),
    ...figure.furniture.map(
      (b) => `<rect x="${b.minX}" y="${b.minY}" width="${b.maxX - b.minX}" height="${b.maxY - b.minY}" fill="#8c8578"/>`
    ),
    ...(fromAbove ? [] : [rodAt(box.minX - 14, rodCm), blockAt(box.minX - 24)]),
    ...figure.limbs.map(
      (l) => `<path d="${limbOutline(l)}" fill="${l.chain !== 'trunk' && !l.near ? sceneColours.clothFar : sceneColours.cloth}"/>`
    ),
    headOf(figure),
    ...(fromAbove ? [] : [`<path d="M-900 0H900" stroke="${sceneColours.floorLine}" stroke-width="0.5"/>`]),
    ...Object.entries(figure.landmarks).map(([name, p]) =>
      stickerAt(p, name === 'vertex' ? sceneColours.vertexSticker : sceneColours.sticker)
    )
  ].join('');
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}">`,
    `<rect width="${widthPx}" height="${heightPx}" fill="${sceneColours.wall}"/>`,
    `<g transform="translate(${widthPx / 2} ${heightPx / 2}) rotate(${rollDeg}) scale(${pxPerCm} ${-pxPerCm}) translate(${-middle.x} ${-middle.y})">`,
    inner,
    '</g></svg>'
  ].join('');
  const shot = ({ x, y }: Point): Point => {
    const roll = toRad(rollDeg);
    const [u, v] = [(x - middle.x) * pxPerCm, -(y - middle.y) * pxPerCm];
    return {
      x: widthPx / 2 + u * Math.cos(roll) - v * Math.sin(roll),
      y: heightPx / 2 + u * Math.sin(roll) + v * Math.cos(roll)
    };
  };
  const blockX = box.minX - 24;
  return {
    svg,
    widthPx,
    heightPx,
    points: {
      landmarks: Object.fromEntries(Object.entries(figure.landmarks).map(([name, p]) => [name, shot(p)])),
      line: fromAbove
        ? null
        : { kind: 'floor', from: shot({ x: box.minX, y: figure.zeroY }), to: shot({ x: box.maxX, y: figure.zeroY }) },
      block: fromAbove
        ? null
        : { bottom: shot({ x: blockX, y: 0 }), top: shot({ x: blockX, y: sceneBlockCm }), heightCm: sceneBlockCm }
    }
  };
}

const stickerAt = ({ x, y }: Point, colour: string): string =>
  `<circle cx="${x}" cy="${y}" r="1.3" fill="${colour}"/><circle cx="${x}" cy="${y}" r="0.25" fill="#ffffff"/>`;

const blockAt = (x: number): string =>
  `<rect x="${x - 8}" y="0" width="12" height="${sceneBlockCm}" fill="${sceneColours.block}" stroke="${sceneColours.blockEdge}" stroke-width="0.3"/>`;

function rodAt(x: number, heightCm: number): string {
  return Array.from({ length: heightCm / rodBandCm }, (_, i) => {
    const colour = i % 2 === 0 ? sceneColours.rodLight : sceneColours.rodDark;
    return `<rect x="${x - 1}" y="${i * rodBandCm}" width="2" height="${rodBandCm}" fill="${colour}"/>`;
  }).join('');
}

function headOf({ head: { centre, alongCm, acrossCm, tiltDeg } }: FigurePose): string {
  const at = `${centre.x} ${centre.y}`;
  return `<ellipse cx="${centre.x}" cy="${centre.y}" rx="${acrossCm}" ry="${alongCm}" transform="rotate(${tiltDeg} ${at})" fill="${sceneColours.skin}"/>`;
}
