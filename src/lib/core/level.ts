export const levels = ['beginner', 'intermediate', 'advanced'] as const;
/** How far along a person is, as the instructor says. */
export type Level = (typeof levels)[number];
