// Heights that several families stand on, each with the measure that gives its start. Common practice (docs/sources.md#exercises).
import { height, type Dial } from '../dial';

type Ends = readonly [min: number, max: number];

/** A seat that carries; without a start it begins at the middle height. */
export const seatOn = (ends: Ends = [0, 60], startFrom?: NonNullable<Dial['stack']>['startFrom']): Dial =>
  height(
    'seatCm',
    'height of the seat',
    { under: 'seat', pairs: 1, higherIs: 'easier', bears: 'weight', ...(startFrom && { startFrom }) },
    ends
  );

/** The seat of crossed legs and of the butterfly. */
export const crossSeat: Dial = seatOn([0, 60], {
  measure: 'cross_seat_height',
  words: 'the lowest seat on which the low back stays long'
});

/** Both knees resting alike. */
export const kneesOn = (measure: string, words: string): Dial =>
  height('kneesCm', 'height under the knees', {
    under: 'knees',
    pairs: 2,
    higherIs: 'easier',
    bears: 'light',
    startFrom: { measure, words }
  });

/** Both hands, light: the same stack twice. */
export const handsOn = (ends: Ends = [0, 60]): Dial =>
  height('handsCm', 'height under the hands', { under: 'hands', pairs: 2, higherIs: 'easier', bears: 'light' }, ends);

const reach = { measure: 'fingertip_floor', words: 'where the fingertips reach with a long back' } as const;

/** Both hands in a fold, from where the fingertips reach. */
export const handsInFold: Dial = height('handsCm', 'height under the hands', {
  under: 'hands',
  pairs: 2,
  higherIs: 'easier',
  bears: 'light',
  startFrom: reach
});

/** A surface that the hands lean on. */
export const surfaceOn: Dial = height(
  'handsCm',
  'height of the surface',
  { under: 'hands', pairs: 2, higherIs: 'easier', bears: 'weight', startFrom: reach },
  [0, 80]
);
