import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';

// Source: WCAG 2.2, success criteria 1.4.3 (text, 4.5) and 1.4.11 (graphics, 3); relative luminance as defined there.
const colours = Object.fromEntries(
  [...readFileSync('src/app.css', 'utf8').matchAll(/--color-([a-z-]+): light-dark\((#\w{6}), (#\w{6})\)/g)].map(
    ([, name, light, dark]) => [name, { light: light!, dark: dark! }]
  )
);

const channels = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16) / 255);
const linear = (c: number) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);
const luminance = (hex: string) => channels(hex).reduce((sum, c, i) => sum + linear(c) * [0.2126, 0.7152, 0.0722][i]!, 0);
const contrast = (a: string, b: string) => {
  const [hi, lo] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (hi + 0.05) / (lo + 0.05);
};

describe.each(['light', 'dark'] as const)('the %s theme', (theme) => {
  const of = (name: string) => colours[name]![theme];
  test.each(['ink', 'ink-soft', 'mulberry', 'lake', 'ochre', 'iris', 'fern', 'stop'])(
    '%s can be read on both grounds',
    (name) => {
      expect(contrast(of(name), of('chalk'))).toBeGreaterThanOrEqual(4.5);
      expect(contrast(of(name), of('paper'))).toBeGreaterThanOrEqual(4.5);
    }
  );
  test('text on mulberry can be read', () => expect(contrast(of('on-mulberry'), of('mulberry'))).toBeGreaterThanOrEqual(4.5));
  test.each(['edge', 'cork-edge', 'felt-edge', 'steel-edge'])('%s stands out as an edge', (name) =>
    expect(contrast(of(name), of('chalk'))).toBeGreaterThanOrEqual(3)
  );
  test('left and right differ in lightness-free hue: one bluer, one redder', () => {
    const [r, , b] = channels(of('lake')) as [number, number, number];
    const [r2, , b2] = channels(of('ochre')) as [number, number, number];
    expect(b - r).toBeGreaterThan(0.2);
    expect(r2 - b2).toBeGreaterThan(0.2); // blue against yellow survives the usual colour-vision deficiencies
  });
});
