import { z } from 'zod';
import { equipment, equipmentOf, type EquipmentId } from '$lib/core';
import { checkbox, length, optionalMass, requiredLine, rowId, whole, type LengthUnit, type Units } from './fields';

const kind = z.enum(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]], { error: 'Choose what it is' });

const quantity = whole(0, 9999);
const base = { name: requiredLine(80, 'What is it called?'), quantity };

/** A prop as it is measured: by three lengths, by its steps, by pull, by mass, or only by what it is. */
export type PropInput = Readonly<{ name: string; quantity: number; kind: EquipmentId }> &
  (
    | Readonly<{ by: 'faces'; lengthsCm: [number, number, number]; turns: boolean; softPct: number }>
    | Readonly<{ by: 'steps'; stepCm: number; steps: number }>
    | Readonly<{ by: 'pull'; pullKg: number }>
    | Readonly<{ by: 'mass'; massKg: number }>
    | Readonly<{ by: 'none' }>
  );

const measured = (unit: LengthUnit, mass: Units['mass']) => ({
  faces: z.object({
    lengthsCm: z.tuple([length(unit, 0.2, 150), length(unit, 0.2, 150), length(unit, 0.2, 150)]),
    turns: checkbox,
    softPct: whole(0, 90)
  }),
  steps: z.object({ stepCm: length(unit, 5, 40), steps: whole(1, 30) }),
  pull: z.object({
    pullKg: needed(optionalMass(mass, 0.1, 100), 'How strong is it? Its pull when stretched to twice its length')
  }),
  mass: z.object({ massKg: needed(optionalMass(mass, 0.1, 200), 'How heavy is one?') }),
  none: z.object({})
});

const needed = <T extends z.ZodType<number | null>>(schema: T, message: string) =>
  schema.transform((value, ctx): number => {
    if (value !== null) return value;
    ctx.addIssue({ code: 'custom', message });
    return z.NEVER;
  });

/** Only what tells one of its kind from another is asked, and all that is wrong is told at once. */
export const propForm = ({ length: unit, mass }: Units) => {
  const ways = measured(unit, mass);
  return z.looseObject({ kind }).transform((typed, ctx): PropInput => {
    const by = equipmentOf(typed.kind).measuredBy;
    const parsed = z.object({ ...base, ...ways[by].shape }).safeParse(typed);
    if (parsed.success) return { ...parsed.data, by, kind: typed.kind } as PropInput;
    for (const { message, path } of parsed.error.issues) ctx.addIssue({ code: 'custom', message, path });
    return z.NEVER;
  });
};

/** The same for a prop that is there. */
export const editPropForm = (units: Units) =>
  z.looseObject({ propId: rowId }).transform(({ propId: id, ...typed }, ctx) => {
    const parsed = propForm(units).safeParse(typed);
    if (parsed.success) return { propId: id, prop: parsed.data };
    for (const { message, path } of parsed.error.issues) ctx.addIssue({ code: 'custom', message, path });
    return z.NEVER;
  });

export const quantityForm = z.object({ propId: rowId, quantity });
export const onlyPropForm = z.object({ propId: rowId });
