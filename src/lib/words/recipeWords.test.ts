import { expect, test } from 'vitest';
import { missingPieceText } from './recipeWords';

test('a piece that is left out is named, with what would bring it in', () => {
  expect(missingPieceText({ name: 'One-leg frog', lacks: ['slider', 'cushion'] })).toBe(
    'Left out, for want of slider and cushion: One-leg frog. It comes in once that is on the shelf.'
  );
  expect(missingPieceText({ name: 'Rear knee lift', lacks: [] })).toBe(
    'Left out: Rear knee lift. Nothing of its kind is open for this person now.'
  );
});
