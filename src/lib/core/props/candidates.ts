// A data table: props that are easily had, in their usual sizes. Common practice (docs/sources.md#stacks).
import type { Prop, PropFace } from './stack';

const face = (heightCm: number, widthCm: number, depthCm: number, carries = true): PropFace => ({
  heightCm,
  widthCm,
  depthCm,
  carries
});
const candidate = (id: string, name: string, faces: readonly PropFace[], softShare = 0): Prop => ({
  id: `new:${id}`,
  name,
  quantity: 2,
  faces,
  softShare
});

/** What one could buy or bring: two of each, so that both hands have one. */
export const candidateProps: readonly Prop[] = [
  candidate('thin_book', 'two thin books', [face(2.5, 23, 16)]),
  candidate('thick_book', 'two thick books', [face(5, 24, 17)]),
  candidate('thin_board', 'two thin boards', [face(1.2, 30, 20)]),
  candidate('half_block', 'two half blocks', [face(5, 23, 15), face(15, 23, 5, false)]),
  candidate('block', 'two blocks', [face(10, 23, 15), face(15, 23, 10), face(23, 15, 10, false)]),
  candidate('flat_block', 'two flat blocks', [face(7.5, 30, 20), face(20, 30, 7.5, false)]),
  candidate('cushion', 'two firm cushions', [face(6, 35, 25)], 0.2),
  candidate('step', 'two low steps', [face(20, 40, 30)])
];
