import { expect, test } from 'vitest';
import { figureHref } from '$lib/contract/figureAsk';
import { exercises } from '$lib/core';
import { GET } from './+server';

const asked = (address: string) => GET({ url: new URL(address, 'http://localhost') } as Parameters<typeof GET>[0]) as Response;

test('every exercise has its small picture, which is a picture by itself and kept by the browser', async () => {
  const addresses = new Set(exercises.map((e) => figureHref(e, '1')!));
  for (const address of addresses) {
    const answer = asked(address);
    expect(answer.headers.get('content-type')).toBe('image/svg+xml');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    const text = await answer.text();
    expect(text, address).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" viewBox="[-\d. ]+"/);
    // Each colour it uses is there, since a picture takes none from its page.
    for (const [, name] of text.matchAll(/var\((--color-[a-z-]+)\)/g)) expect(text).toContain(`${name}: `);
    expect(text).not.toContain('NaN');
  }
});

test('what is no position is told as the sender’s fault', () => {
  for (const query of ['', '?pose=none', '?pose=lotus&at=high'])
    expect(() => asked(`/figures${query}`)).toThrow(expect.objectContaining({ status: 400 }));
});

test('an exercise of one’s own without a position has none', () => expect(figureHref({}, '1')).toBeNull());
