/** A place in a plane, or a value of a series: x across, y up or down as the place says. */
export type Point = Readonly<{ x: number; y: number }>;
