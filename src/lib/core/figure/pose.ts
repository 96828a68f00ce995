import type { Frame } from './frame';
import type { Posture } from './posture';
import type { Vec } from './vec';

/**
 * From where a figure is seen: 'side' from the side that is set, 'front' by someone facing it (or its feet), 'behind' from its
 * back (or its feet, when it lies on its front), 'top' from above, the toes up the picture; 'facing down on' from above, the head up.
 */
export type View = 'side' | 'front' | 'behind' | 'top' | 'facing down on';

/** Whether a view looks down: then there is no floor line. */
export const isFromAbove = (view: View): boolean => view === 'top' || view === 'facing down on';

/** What may carry the side's colour: that which is measured or trained. */
export type Coloured = 'both legs' | 'feet' | 'leg' | 'arm' | 'none';

/** Something the body sits on, stands on or reaches for, in its own space. */
export type Furniture = Readonly<{ min: Vec; max: Vec }>;

export type Landmark = 'point' | 'vertex' | 'along' | 'other';

/** Places of the body under which a stack may stand. */
export type Support = 'pelvis' | 'leadHeel' | 'hands' | 'seat' | 'knee' | 'otherKnee' | 'frontFoot';

export type Built = Readonly<{
  posture: Posture;
  /** Where a reading is taken: a point whose height counts, or an angle at a vertex. */
  landmarks?: Readonly<Partial<Record<Landmark, Vec>>>;
  /** Where a stack belongs. */
  supports?: Readonly<Partial<Record<Support, Vec>>>;
  furniture?: readonly Furniture[];
  /** Level from which heights count, where it is not the floor. */
  zeroY?: number;
}>;

/** A position of the body, built with the trained side on the right, from the one number that it is about. */
export type Pose = Readonly<{
  view: View;
  coloured: Coloured;
  /** The number where none is given, and the range that can be drawn. */
  usual: number;
  range: readonly [number, number];
  /** Legs cross: parts are painted by their own depth. */
  crossed?: boolean;
  /** What lies over the trained limbs is drawn thin. */
  seeThrough?: boolean;
  build: (f: Frame, value: number) => Built;
}>;
