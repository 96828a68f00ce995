import { expect, test } from 'vitest';
import { figuresSchema } from '$lib/contract/setForms';
import { deepenings } from '$lib/core';
import { figuresText } from './figuresText';

const cm = { length: 'cm', mass: 'kg' } as const;

test('by what a set went deeper is told, in the words of the trade, and nothing else is taken for it', () => {
  const figures = figuresSchema.parse({ deepened: ['move the limb', 'lower the prop'], reachedCm: 12 });
  expect(figuresText(figures, cm)).toEqual(['reached 12 cm', 'deeper by the limb, a lower prop']);
  expect(figuresText(figuresSchema.parse({ deepened: [...deepenings] }), cm)[0]).toBe(
    'deeper by the limb, the pelvis, a lean, a lower prop, the breath'
  );
  expect(figuresText({}, cm)).toEqual([]);
  expect(figuresSchema.safeParse({ deepened: ['bounce'] }).success).toBe(false);
});
