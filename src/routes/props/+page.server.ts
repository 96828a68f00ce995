import { z } from 'zod';
import { whole, type LengthUnit } from '$lib/contract/fields';
import { propForm, quantityForm, type PropInput } from '$lib/contract/forms';
import { searchStacks } from '$lib/core';
import { insertProp, listProps, updateProp, updatePropRemoved, updateQuantity } from '$lib/server/repo/propRepo';
import { getUnits } from '$lib/server/repo/studioRepo';
import { propOf } from '$lib/server/service/shelf';
import { submitted, type Typed } from '$lib/server/submitted';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db } }) => {
  const shelf = await listProps(db);
  return { shelf, one: searchStacks(shelf), both: searchStacks(shelf, { pairs: 2 }) };
};

const lengthsOf = (typed: Typed) => ({ ...typed, lengthsCm: [typed.length0, typed.length1, typed.length2] });
const withId = (unit: LengthUnit) => propForm(unit).extend({ propId: whole(1, 2 ** 31 - 1) });

const onlyProp = z.object({ propId: whole(1, 2 ** 31 - 1) });

export const actions: Actions = {
  add: async ({ request, locals: { db } }) => {
    const { length } = await getUnits(db);
    const run = (input: PropInput) => db.transaction((tx) => insertProp(tx, propOf(input)));
    const done = await submitted(request, propForm(length), run, { form: 'add', shape: lengthsOf });
    return done.ok ? { kept: true } : done.failure;
  },
  edit: async ({ request, locals: { db } }) => {
    const { length } = await getUnits(db);
    const run = ({ propId, ...input }: PropInput & { propId: number }) =>
      db.transaction((tx) => updateProp(tx, propId, propOf(input)));
    const done = await submitted(request, withId(length), run, { form: 'edit', shape: lengthsOf });
    return done.ok ? { kept: true } : done.failure;
  },
  quantity: async ({ request, locals: { db } }) => {
    const done = await submitted(request, quantityForm, ({ propId, quantity }) => updateQuantity(db, propId, quantity), {
      form: 'quantity'
    });
    return done.ok ? { kept: true } : done.failure;
  },
  remove: async ({ request, locals: { db, now } }) => {
    const done = await submitted(request, onlyProp, ({ propId }) => updatePropRemoved(db, propId, now.toISOString()), {
      form: 'remove'
    });
    return done.ok ? { kept: true } : done.failure;
  },
  restore: async ({ request, locals: { db } }) => {
    const done = await submitted(request, onlyProp, ({ propId }) => updatePropRemoved(db, propId, null), { form: 'restore' });
    return done.ok ? { kept: true } : done.failure;
  }
};
