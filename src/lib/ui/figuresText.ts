import type { SetFigures } from '$lib/contract/setForms';
import type { Units } from '$lib/contract/fields';
import { painPlaceOf } from '$lib/core';
import { deepenedWords } from '$lib/words/cueWords';
import { degText, lengthText, massNumber } from './format';

/** A place on the body with its side. */
export const placeText = ({ place, side }: NonNullable<SetFigures['feltAt']>): string =>
  `${side ? `${side} ` : ''}${painPlaceOf(place).label.toLowerCase()}`;

/** What was written down of a set, one short piece each; nothing where nothing was. */
export function figuresText(
  {
    done,
    of,
    effortTold,
    effortSeen,
    dropDeg,
    reachedCm,
    reachedDeg,
    loadKg,
    checks,
    signs,
    deepened,
    feltAt,
    ended,
    allows,
    variant,
    easier
  }: SetFigures,
  units: Units
): string[] {
  const efforts = [
    effortTold === undefined ? '' : `${effortTold} as they said`,
    effortSeen === undefined ? '' : `${effortSeen} as seen`
  ].filter(Boolean);
  return [
    done === undefined ? '' : `${done} of ${of ?? done} done`,
    efforts.length > 0 ? `effort ${efforts.join(', ')}, of 10` : '',
    dropDeg === undefined ? '' : `fell by ${dropDeg}°`,
    reachedCm === undefined ? '' : `reached ${lengthText(reachedCm, units.length)}`,
    reachedDeg === undefined ? '' : `reached ${degText(reachedDeg)}`,
    loadKg === undefined ? '' : `with ${massNumber(loadKg, units.mass)} ${units.mass}`,
    deepened ? `deeper by ${deepened.map((d) => deepenedWords[d]).join(', ')}` : '',
    feltAt === undefined ? '' : `felt: ${placeText(feltAt)}`,
    checks ? `slipped: ${checks.join(', ')}` : '',
    signs ? `${signs.join(', ')}${ended ? ', which ended it' : ''}` : '',
    allows === undefined ? '' : `open: ${allows}`,
    variant ?? '',
    easier ? 'one step easier' : ''
  ].filter(Boolean);
}
