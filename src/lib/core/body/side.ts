/** A side of the body. For a front split it names the leg in front. */
export type Side = 'left' | 'right';

export const sides: readonly Side[] = ['left', 'right'];

export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
