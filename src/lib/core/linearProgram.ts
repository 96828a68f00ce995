/**
 * What ended a search, and the values by name; where it was ended early those of the best that was found. `gap` is how far that may be from the best
 * there is, as a share: 0 where it is proved.
 */
export type Solved = Readonly<{ status: string; values: Readonly<Record<string, number>>; gap: number }>;

/**
 * When a search ends before it is proved best: so near to the best possible, after so many nodes, or after so much work, in rows of the program
 * times steps of its simplex. The clock has no say, so that the same plan comes of the same wishes on every machine.
 */
export type SearchEnds = Readonly<{ gap: number; nodes: number; work: number }>;

/** Solves a linear or integer program in the usual LP text. Passed in, so that the core carries no solver. */
export type LinearSolver = (program: string, ends?: SearchEnds) => Promise<Solved>;
