import { z } from 'zod';
import { addDays, deepenings, painPlaceIds, sides, type Setting } from '$lib/core';
import { exerciseId, isoDate, jsonField, rowId } from './fields';
import { startForm } from './forms';

export const feltPlaces = ['expected', 'elsewhere', 'closing side', 'joint'] as const;
export const slips = ['nothing', 'hips turned', 'knee bent', 'back rounded', 'came off early'] as const;

/** What a set was done with: where its dials stood, inside bounds of sense. */
const settingSchema = z
  .record(z.string().regex(/^[a-zA-Z][a-zA-Z0-9]{0,30}$/), z.number().min(-300).max(7200))
  .refine((setting) => Object.keys(setting).length <= 12, 'Too many settings')
  .transform((setting): Setting => setting);

/** What shows while something works; each may be normal, or the reason why a set ended. */
export const effortSigns = ['trembling', 'cramp', 'tired'] as const;
/** Why a set was left out. */
export const leftOutReasons = ['too tired', 'no time', 'a prop was missing', 'not wanted'] as const;

/** What was seen and said of a set beyond the three questions, all of it free to leave open. */
export const figuresSchema = z.strictObject({
  /** Repetitions, rounds or breaths that were done, and how many the set asked for. */
  done: z.int().min(0).max(500).optional(),
  of: z.int().min(0).max(500).optional(),
  /** Effort reached, of ten: by the client's word and by the instructor's. */
  effortTold: z.int().min(0).max(10).optional(),
  effortSeen: z.int().min(0).max(10).optional(),
  /** How far the limb fell while it was held, degrees. */
  dropDeg: z.number().min(0).max(120).optional(),
  /** How far it went: a height or a distance, or an angle, as the first dial of depth has it. */
  reachedCm: z.number().min(-60).max(300).optional(),
  reachedDeg: z.number().min(-60).max(300).optional(),
  loadKg: z.number().min(0).max(200).optional(),
  /** Checks of the exercise that slipped, in its words. */
  checks: z.array(z.string().max(400)).max(20).optional(),
  signs: z.array(z.enum(effortSigns)).max(effortSigns.length).optional(),
  /** By what it really went deeper in this set. */
  deepened: z.array(z.enum(deepenings)).max(deepenings.length).optional(),
  /** Where it was felt, where that was not the place it should be. */
  feltAt: z.strictObject({ place: z.enum(painPlaceIds), side: z.enum(sides).nullable() }).optional(),
  /** One of the signs ended the set. */
  ended: z.boolean().optional(),
  /** What the open variant allowed; without it the strict one was done. */
  allows: z.string().max(120).optional(),
  /** Which variant of the exercise was done, where it is not the usual one. */
  variant: z.string().max(400).optional(),
  /** It was done one step easier, by choice on the way. */
  easier: z.boolean().optional()
});
export type SetFigures = z.output<typeof figuresSchema>;

/** A set as the player sends it. `clean` null where it is not asked. */
export const setLogSchema = z
  .object({
    id: z.uuid(),
    setIndex: z.int().min(0).max(200),
    exerciseId,
    side: z.enum(sides).nullable(),
    plannedS: z.int().min(0).max(7200),
    actualS: z.int().min(0).max(14400),
    clean: z.boolean().nullable(),
    sensation: z.int().min(0).max(10).nullable(),
    felt: z.enum(feltPlaces).nullable(),
    slipped: z.enum(slips).nullable(),
    setting: settingSchema,
    figures: figuresSchema.optional(),
    /** It was not done, and why. */
    leftOut: z.enum(leftOutReasons).optional()
  })
  .refine((s) => s.clean !== true || (s.sensation === null && s.felt === null && s.slipped === null), 'A clean set has no notes');
export type SetLogInput = z.output<typeof setLogSchema>;

/** How an exercise was on a side, in one word, where a session is written down after it. */
export const doneWords = ['clean', 'not quite', 'not done'] as const;
const writtenSchema = z.strictObject({
  exerciseId,
  side: z.enum(sides).nullable(),
  was: z.enum(doneWords),
  /** How many were done in its sets, where fewer than asked for. */
  done: z.int().min(0).max(500).optional()
});
export type Written = z.output<typeof writtenSchema>;

/** Days within which a session can be written down after it. */
export const writtenWithinDays = 14;

/** A session that was done without the player: what is asked before one, the day, and how every exercise was. */
export const writeForm = (today: string) =>
  z.intersection(
    startForm,
    z.object({
      sessionId: rowId,
      doneOn: isoDate.refine(
        (on) => on <= today && on >= addDays(today, -writtenWithinDays),
        `Not in the future, and at most ${writtenWithinDays} days ago`
      ),
      written: jsonField<Written[]>(z.array(writtenSchema).min(1).max(80), 'Say of every exercise how it was')
    })
  );
export type WriteInput = z.output<ReturnType<typeof writeForm>>;
