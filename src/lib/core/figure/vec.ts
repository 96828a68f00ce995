import { toRad } from '../geometry/angles';

/** A point or a direction in a body's own space, cm: x is the way it faces or lies, y is up, z is to its right. */
export type Vec = Readonly<{ x: number; y: number; z: number }>;

export const vec = (x: number, y: number, z = 0): Vec => ({ x, y, z });
export const add = (a: Vec, b: Vec): Vec => vec(a.x + b.x, a.y + b.y, a.z + b.z);
export const sub = (a: Vec, b: Vec): Vec => vec(a.x - b.x, a.y - b.y, a.z - b.z);
export const times = (a: Vec, k: number): Vec => vec(a.x * k, a.y * k, a.z * k);
export const dot = (a: Vec, b: Vec): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const cross = (a: Vec, b: Vec): Vec => vec(a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x);
export const lengthOf = (a: Vec): number => Math.hypot(a.x, a.y, a.z);
export const distance = (a: Vec, b: Vec): number => lengthOf(sub(a, b));
export const along = (from: Vec, direction: Vec, cm: number): Vec => add(from, times(direction, cm));

/** The direction of a vector; the fallback where it has none. */
export function unit(a: Vec, fallback: Vec = vec(0, 1)): Vec {
  const length = lengthOf(a);
  return length < 1e-9 ? fallback : times(a, 1 / length);
}

/** A direction in the plane a body faces in: 0 ahead, 90 up, 180 behind; turned out of it to the right by `outDeg`. */
export function way(deg: number, outDeg = 0): Vec {
  const flat = Math.cos(toRad(outDeg));
  return vec(flat * Math.cos(toRad(deg)), flat * Math.sin(toRad(deg)), Math.sin(toRad(outDeg)));
}

/** A direction across the body: 0 down, 90 to the right, 180 up, −90 to the left. */
export const across = (deg: number): Vec => vec(0, -Math.cos(toRad(deg)), Math.sin(toRad(deg)));

/** A direction on the floor: 0 ahead, 90 to the right. */
export const onFloor = (deg: number): Vec => vec(Math.cos(toRad(deg)), 0, Math.sin(toRad(deg)));

/** What is left of a vector at right angles to a direction. */
export const squareTo = (a: Vec, direction: Vec): Vec => sub(a, times(direction, dot(a, direction)));

/** The direction a share of the way from one to the other, along the arc. */
export function turned(from: Vec, to: Vec, share: number): Vec {
  const angle = Math.acos(Math.min(1, Math.max(-1, dot(from, to))));
  if (angle < 1e-6) return to;
  // Opposite directions are joined by every arc alike: one is chosen.
  const side = unit(squareTo(to, from), unit(squareTo(vec(0.3, 1, 0.2), from)));
  return add(times(from, Math.cos(angle * share)), times(side, Math.sin(angle * share)));
}

/** A number at which a function that grows or falls steadily reaches a value; the nearer end where it does not reach it. */
export function solve(f: (x: number) => number, wanted: number, low: number, high: number): number {
  const rises = f(high) > f(low);
  let [a, b] = [low, high];
  for (let i = 0; i < 44; i++) {
    const middle = (a + b) / 2;
    if (f(middle) < wanted === rises) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
