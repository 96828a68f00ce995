const degPerRad = 180 / Math.PI;

export const toRad = (deg: number): number => deg / degPerRad;
export const toDeg = (rad: number): number => rad * degPerRad;
export const asinDeg = (ratio: number): number => toDeg(Math.asin(ratio));
export const acosDeg = (ratio: number): number => toDeg(Math.acos(ratio));
export const sinDeg = (deg: number): number => Math.sin(toRad(deg));
