/** One usable height of a prop: the height when it stands on this face, and the footprint it then has. */
export type PropFace = Readonly<{
  heightCm: number;
  widthCm: number;
  depthCm: number;
  /** Whether something may stand on it this way up. @default true */
  carries?: boolean;
}>;

export type Prop = Readonly<{
  id: string;
  name: string;
  quantity: number;
  faces: readonly PropFace[];
  /** Share of its height lost under the body, 0 to 1; more than 0 is soft. @default 0 */
  softShare?: number;
  /** Stands where it is, as stairs do: its steps are heights, but nothing is stacked with it. @default false */
  fixed?: boolean;
}>;

export type StackItem = Readonly<{ propId: string; face: number }>;

/** Props on top of one another, bottom first; the floor is `{ heightCm: 0, items: [] }`. */
export type Stack = Readonly<{ heightCm: number; items: readonly StackItem[] }>;

export type StackRules = Readonly<{ maxItems: number; maxOverhangCm: number; maxSlenderness: number; pairs: 1 | 2 }>;

/** Common practice for a stack a person leans on. Infinity switches a rule off. docs/sources.md#stacks */
export const stackRules: StackRules = { maxItems: 3, maxOverhangCm: 2, maxSlenderness: 2, pairs: 1 };

export const floor: Stack = { heightCm: 0, items: [] };

/** Height a face gives under the body, in whole millimetres, so that 1.1 + 2.2 is 3.3. */
export const loadedHeightMm = (prop: Prop, face: PropFace): number =>
  Math.round(face.heightCm * (1 - (prop.softShare ?? 0)) * 10);

/** Whether a stack may carry the pelvis or a heel: a block standing upright is for light hand support only. */
export const bearsWeight = (stack: Stack, shelf: readonly Prop[]): boolean =>
  stack.items.every(({ propId, face }) => {
    const prop = shelf.find((p) => p.id === propId);
    return (prop?.softShare ?? 0) > 0 || prop?.faces[face]?.carries !== false;
  });
