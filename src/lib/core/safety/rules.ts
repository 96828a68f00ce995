// Figures of the gate. Standing of each: common practice, the cautious side, or an assumption (docs/sources.md#safety).

/** Past flat opens once the flat split was held this long on so many days (common practice). */
export const flatHeld = { holdS: 30, days: 3 } as const;
/** Days between two deepenings of a depth, and at least at each step that bends or turns the knee (common practice). */
export const waitDays = { depth: 7, knee: 14 } as const;
/** A stage of the lotus opens after so many sessions without pain in a knee (assumption), and so much outward turn, stage by stage (assumption). */
export const stageNeeds = { sessions: 4, outwardTurnDeg: [0, 60, 70] } as const;
/** Who is new to a loaded exercise moves less than this (common practice), for so many days from the first (assumption). */
export const newToLoad = { belowKg: 8, days: 28 } as const;
/** Where a line is kept from long holds, head-down is kept short, and lying on the back (assumptions). */
export const longestHoldS = { line: 30, headDown: 60, onTheBack: 60 } as const;
/** A reach this close to an end stop counts as having come to it: the usual error of a joint angle (assumption). */
export const endStopErrorDeg = 5;
/** A lift and a lowering take a second each where contractions are kept short: the rest is the hold. */
export const liftAndLowerS = 2;
/** Half way, or clearly short of the end: half again as high as measured, and this much at least (assumption). */
export const leastShortCm = 10;
/** The usual share of a split's opening where only one hip has an end stop (core goals, assumption). */
export const usualShareDeg = { flexion: 140, extension: 40, abduction: 90 } as const;
/** Least bend of the knee in a heel-sit and in the lotus (goals, assumption). */
export const kneeBendDeg = { 'heel-sit': 150, lotus: 145 } as const;
