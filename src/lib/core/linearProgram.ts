/** What ended a search, and the values by name; where it was ended early those of the best that was found. */
export type Solved = Readonly<{ status: string; values: Readonly<Record<string, number>> }>;

/** When a search ends before it is proved best: so near to the best possible, or after so many nodes. The clock has no say. */
export type SearchEnds = Readonly<{ gap: number; nodes: number }>;

/** Solves a linear or integer program in the usual LP text. Passed in, so that the core carries no solver. */
export type LinearSolver = (program: string, ends?: SearchEnds) => Promise<Solved>;
