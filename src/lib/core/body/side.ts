/** A side of the body. For a front split it names the leg in front. */
export const sides = ['left', 'right'] as const;
export type Side = (typeof sides)[number];

export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
