import { expect, test } from 'vitest';
import { stackText } from './stackText';

const face = (heightCm: number) => ({ heightCm, depthCm: 15, widthCm: 23 });
const shelf = [
  { id: 'b', name: 'Cork block', faces: [face(10), face(15), face(23)] },
  { id: 't', name: 'Thin book', faces: [face(2)] },
  { id: 's', name: 'Stairs', fixed: true, faces: [face(17), face(34)] }
];

test.each([
  ['nothing', [], 'the floor'],
  [
    'bottom first',
    [
      { propId: 'b', face: 0 },
      { propId: 't', face: 0 }
    ],
    'cork block flat, thin book'
  ],
  ['the way it stands', [{ propId: 'b', face: 1 }], 'cork block on its side'],
  ['upright', [{ propId: 'b', face: 2 }], 'cork block upright'],
  [
    'alike ones counted',
    [
      { propId: 'b', face: 0 },
      { propId: 'b', face: 0 },
      { propId: 't', face: 0 }
    ],
    '2 × cork block flat, thin book'
  ],
  [
    'one kind in two ways is two things',
    [
      { propId: 'b', face: 0 },
      { propId: 'b', face: 1 }
    ],
    'cork block flat, cork block on its side'
  ],
  ['a step', [{ propId: 's', face: 1 }], 'stairs, step 2'],
  ['taken off the shelf since', [{ propId: 'x', face: 0 }], 'a prop that is gone']
])('%s', (_, items, text) => expect(stackText(items, shelf)).toBe(text));
