/** Draws of a property that costs much: so many in the run of all tests, and as many times as DRAWS says in `npm run trials -- plans`. */
export const draws = (inRun: number): number => inRun * Number(process.env.DRAWS ?? 1);
