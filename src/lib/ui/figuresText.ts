import type { SetFigures } from '$lib/contract/forms';
import { painPlaceOf } from '$lib/core';

/** What was written down of a set, one short piece each; nothing where nothing was. */
export function figuresText({
  done,
  of,
  effortTold,
  effortSeen,
  dropDeg,
  reached,
  loadKg,
  checks,
  signs,
  feltAt,
  ended,
  easier
}: SetFigures): string[] {
  const efforts = [
    effortTold === undefined ? '' : `${effortTold} as they said`,
    effortSeen === undefined ? '' : `${effortSeen} as seen`
  ].filter(Boolean);
  return [
    done === undefined ? '' : `${done} of ${of ?? done} done`,
    efforts.length > 0 ? `effort ${efforts.join(', ')}, of 10` : '',
    dropDeg === undefined ? '' : `fell by ${dropDeg}°`,
    reached === undefined ? '' : `reached ${reached}`,
    loadKg === undefined ? '' : `with ${loadKg} kg`,
    feltAt === undefined ? '' : `felt: ${feltAt.side ? `${feltAt.side} ` : ''}${painPlaceOf(feltAt.place).label.toLowerCase()}`,
    checks ? `slipped: ${checks.join(', ')}` : '',
    signs ? `${signs.join(', ')}${ended ? ', which ended it' : ''}` : '',
    easier ? 'one step easier' : ''
  ].filter(Boolean);
}
