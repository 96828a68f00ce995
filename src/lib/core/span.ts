/** A figure as it is usual, or from one figure to another. */
export type Span = number | readonly [low: number, high: number];

/** "8", "8 to 10". */
export const spanText = (span: Span): string => (typeof span === 'number' ? String(span) : `${span[0]} to ${span[1]}`);

/** The low end of a span: where somebody begins. */
export const lowOf = (span: Span): number => (typeof span === 'number' ? span : span[0]);
