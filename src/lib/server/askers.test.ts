import { describe, expect, test } from 'vitest';
import { askers, ownPath } from './askers';

describe('who may ask', () => {
  const { isHost, isOrigin } = askers({ ORIGIN: 'http://localhost:5080', PORT: '5080' });

  test.each(['localhost:5080', '127.0.0.1:5080', '[::1]:5080', 'LOCALHOST:5080'])('%s is this studio', (host) => {
    expect(isHost(host)).toBe(true);
    expect(isOrigin(`http://${host}`)).toBe(true);
  });
  test.each([
    'evil.example:5080',
    'localhost:5081',
    'localhost',
    'localhost.evil.example:5080',
    '127.0.0.1.nip.example:5080',
    ''
  ])('%s is not', (host) => expect(isHost(host)).toBe(false));
  test.each([null, 'null', '', 'http://evil.example', 'http://localhost:5081', 'file://'])('nothing is taken from %s', (from) =>
    expect(isOrigin(from)).toBe(false)
  );

  test('a studio behind a name of its own is reached by it, by the names that were given, and on the machine itself', () => {
    const studio = askers({ ORIGIN: 'https://studio.example', PORT: '5080', CALM_REACH_HOSTS: 'mat.local:5080 hall.example' });
    for (const host of ['studio.example', 'mat.local:5080', 'hall.example', 'localhost:5080'])
      expect(studio.isHost(host)).toBe(true);
    expect(studio.isOrigin('https://studio.example')).toBe(true);
    expect(studio.isHost('other.example')).toBe(false);
  });

  test('an address it listens on is one of its names; all of them are not', () => {
    expect(askers({ PORT: '5080', HOST: '192.168.7.2' }).isHost('192.168.7.2:5080')).toBe(true);
    expect(askers({ PORT: '5080', HOST: '0.0.0.0' }).isHost('0.0.0.0:5080')).toBe(false);
    expect(askers({ PORT: '5080', HOST: '0.0.0.0' }).isHost('192.168.7.2:5080')).toBe(false);
  });

  test('in development any port of this machine will do, and no other name', () => {
    expect(askers({}).isHost('localhost:5173')).toBe(true);
    expect(askers({}).isHost('evil.example:5173')).toBe(false);
  });
});

describe('the way back', () => {
  test.each(['/people', '/people/3/grade?exercise=frog&shelf=home', '/library/own_1'])('%s is ours', (back) =>
    expect(ownPath(back)).toBe(back)
  );
  test.each([
    'people',
    '//evil.example',
    '/\\evil.example',
    '/\t/evil.example',
    '/\n/evil.example',
    '/people\u0000',
    '/people/😀',
    'http://evil.example',
    ''
  ])('%j is not', (back) => expect(ownPath(back)).toBeNull());
});
