import { z } from 'zod';
import { measureModes, sides, type Landmark, type PhotoPoints } from '$lib/core';
import { isoDate, personName } from './fields';
import { measureId } from './measureForms';

/** What a picture may be, told in the interface as well. A picture is made smaller before it is kept. */
export const photoLimits = {
  /** Of a file that is opened. */
  fileMb: 50,
  filePixels: 60e6,
  filmMb: 200,
  /** Longest side of what is kept. */
  keptPx: 2400,
  /** Longest side of what is taken at all. */
  sidePx: 20_000,
  /** Of one that is kept, and of all together. */
  keptMb: 4,
  studioMb: 1000
} as const;

/** A place on a picture of at most `sidePx`, or a little beside it. */
const coordinate = z
  .number()
  .min(-photoLimits.sidePx)
  .max(2 * photoLimits.sidePx);
const point = z.object({ x: coordinate, y: coordinate });
const landmarkNames = ['point', 'vertex', 'along', 'other'] as const satisfies readonly Landmark[];

/** Points set on a picture. */
export const photoPoints = z.object({
  landmarks: z.partialRecord(z.enum(landmarkNames), point),
  line: z.object({ kind: z.enum(['floor', 'plumb']), from: point, to: point }).nullable(),
  block: z.object({ bottom: point, top: point, heightCm: z.number().positive().max(300) }).nullable()
}) satisfies z.ZodType<PhotoPoints>;

const jsonText = z.string().transform((raw, ctx): unknown => {
  try {
    return JSON.parse(raw);
  } catch {
    ctx.addIssue({ code: 'custom', message: 'Not readable' });
    return z.NEVER;
  }
});

/** In small letters, as it names the file. */
const photoId = z.uuid().transform((id) => id.toLowerCase());

/** A picture that comes in with what was set on it. Its bytes come beside it. */
export const photoForm = z.object({
  id: photoId,
  measureId,
  side: z.union([z.enum(sides), z.literal('').transform(() => null)]),
  mode: z.enum(measureModes),
  takenOn: isoDate,
  points: jsonText.pipe(photoPoints)
});
export type PhotoInput = z.output<typeof photoForm>;

export const consentForm = z.object({ givenBy: personName });
export const photoIdForm = z.object({ photoId });
