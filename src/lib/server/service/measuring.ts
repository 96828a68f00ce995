import { compute } from '$lib/contract/door';
import type { ClientInput } from '$lib/contract/forms';
import type { Correction, MeasureInput, SentMeasure, TrialInput } from '$lib/contract/measureForms';
import type { Taken } from '$lib/contract/taken';
import {
  CoreError,
  isSignedDepth,
  measureDoubt,
  measureOf,
  measureResult,
  otherSide,
  splitOpeningDeg,
  trialValue
} from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import {
  appendNote,
  findOpenOccasion,
  insertOccasion,
  insertTrials,
  listOccasions,
  listTrialsOfDay,
  updateTrial,
  updateTrialValues
} from '../repo/occasionRepo';
import { listGoals } from '../repo/goalRepo';
import { updatePhotoTrial } from '../repo/photoRepo';
import { getClient, updateClient, type Client } from '../repo/clientRepo';
import { changeClient } from './changing';
import { legOf, lengthsOf, loadCase, withGoal, type ClientCase } from './clientCase';
import { forecastsOf, keepForecasts, scoreForecasts } from './forecasting';
import { comparesKey, ownRecord, seriesOf, stackStepCm, takenOf } from './taken';

/** Keeps an occasion whole, or nothing of it. Throws: CoreError 'gap_exceeds_leg', 'value_impossible' and those of the formulas. */
export async function saveOccasion(db: Database, clientId: number, input: MeasureInput): Promise<number> {
  return changeClient(db, clientId, async (tx) => {
    const trials = valuedTrials(await getClient(tx, clientId), input);
    const measureIds = [...new Set(trials.map((t) => t.measureId))];
    const open = await findOpenOccasion(tx, clientId, input, measureIds);
    const id = open ?? (await insertOccasion(tx, clientId, input));
    if (open !== null && input.note) await appendNote(tx, open, input.note);
    const trialIds = await insertTrials(tx, id, trials);
    for (const [i, { photoId, measureId }] of trials.entries())
      if (photoId) await updatePhotoTrial(tx, clientId, photoId, measureId, trialIds[i]!);
    await foretell(tx, clientId, id, input.takenOn, measureIds);
    return id;
  });
}

/**
 * Keeps an occasion as it was sent. Numbers that look mistyped are asked about first.
 *
 * Throws: CoreError 'measure_unconfirmed' with what looks odd, those of `saveOccasion`.
 */
export async function keepMeasure(db: Database, clientId: number, { sure, ...input }: SentMeasure): Promise<number> {
  if (!sure) requirePlausible(await loadCase(db, clientId, input.takenOn), input);
  return saveOccasion(db, clientId, input);
}

/**
 * Corrects one number of an occasion. It is asked about first where it looks mistyped beside the others; what it was stays beside it.
 *
 * Throws: CoreError 'not_found', 'measure_unconfirmed', those of `saveOccasion`.
 */
export const correctTrial = (
  db: Database,
  clientId: number,
  { trialId, sure, entries }: Correction,
  at: Readonly<{ now: Date; today: string }>
): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadCase(tx, clientId, at.today);
    const { occasion, trial } = trialIn(c, trialId);
    const alike = seriesOf(occasion).find((s) => s.some((t) => t.id === trialId))!;
    const trials = alike.map((t, i): TrialInput => ({ ...t, ordinal: i + 1, ...(t.id === trialId && { entries }) }));
    const [value] = valuedTrials(c.client, { trials: trials.filter((_, i) => alike[i]!.id === trialId) }).map((t) => t.value);
    // It is no measure before itself, and what may be mistyped teaches nobody how far measures lie apart.
    const others = { ...c, occasions: c.occasions.filter((o) => o.id !== occasion.id) };
    if (!sure) requirePlausible(others, { ...occasion, trials });
    await updateTrial(tx, trial, { kind: 'corrected', entries, value: value!, at: at.now.toISOString() });
  });

function trialIn(c: ClientCase, trialId: number) {
  for (const occasion of c.occasions) for (const trial of occasion.trials) if (trial.id === trialId) return { occasion, trial };
  throw new CoreError('not_found', { what: 'trial' });
}

/** Takes one number out of its occasion, or puts it back. Throws: CoreError 'not_found'. */
export const setTrialRemoved = (
  db: Database,
  clientId: number,
  { occasionId, measureId, trialId }: Readonly<{ occasionId: number; measureId: string; trialId: number }>,
  kind: 'taken out' | 'put back',
  now: Date
): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const trial = (await listTrialsOfDay(tx, clientId, occasionId, measureId)).find((t) => t.id === trialId);
    if (!trial) throw new CoreError('not_found', { what: 'trial' });
    if ((trial.removedAt === null) === (kind === 'put back')) return; // sent twice
    // A length of the body may have been corrected while it was out.
    const { side, way, entries } = trial;
    const client = await getClient(tx, clientId);
    const made = compute(() => trialValue(measureOf(measureId), way, entries, lengthsOf(client, side)));
    await updateTrial(tx, trial, { kind, entries, value: made.ok ? made.value : trial.value, at: now.toISOString() });
  });

function requirePlausible(
  c: ClientCase,
  { trials, bodyState, takenOn }: Pick<MeasureInput, 'trials' | 'bodyState' | 'takenOn'>
): void {
  const series = new Map<string, TrialInput[]>();
  for (const t of trials) series.set(comparesKey(t, bodyState), [...(series.get(comparesKey(t, bodyState)) ?? []), t]);
  for (const [key, alike] of series) {
    const { measureId, side, mode, way } = alike[0]!;
    const measure = measureOf(measureId);
    const asked = { measure, way, trials: alike.map((t) => t.entries), lengths: lengthsOf(c.client, side), before: null };
    const { values, error } = measureResult({ ...asked, own: ownRecord(c, measureId, way), stackStepCm: stackStepCm(c) });
    const isEarlier = (r: Taken) => r.takenOn <= takenOn;
    const before = takenOf(c).findLast((r) => isEarlier(r) && comparesKey(r, r.bodyState) === key) ?? null;
    const doubt = measureDoubt(values, before, error);
    if (doubt) throw new CoreError('measure_unconfirmed', { ...doubt, side: side ?? '', mode, unit: measure.unit });
  }
}

/** Returns the trials with what they come to on this body. Throws: those of `saveOccasion`. */
const valuedTrials = (client: Client, { trials }: Pick<MeasureInput, 'trials'>) =>
  trials.map((t) => {
    const measure = measureOf(t.measureId);
    const value = trialValue(measure, t.way, t.entries, lengthsOf(client, t.side));
    if (isSignedDepth(measure)) {
      const lead = t.side ?? 'left';
      const legs = { leadLegCm: legOf(client, lead).value, trailLegCm: legOf(client, otherSide(lead)).value };
      splitOpeningDeg({ gapCm: Math.abs(value), ...legs }); // refuses what no body can be
    }
    return { ...t, value };
  });

/**
 * Changes what is written of a person. Values that are computed from the lengths of the body are kept anew with them, so that a list and a page
 * say the same; a series that these lengths make impossible stays as it was kept.
 *
 * Throws: CoreError 'not_found'.
 */
export const changePerson = (db: Database, clientId: number, input: ClientInput): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    await updateClient(tx, clientId, input);
    const client = await getClient(tx, clientId);
    const restated = (await listOccasions(tx, clientId)).flatMap(seriesOf).flatMap((series) => {
      const made = compute(() =>
        series.map((t) => trialValue(measureOf(t.measureId), t.way, t.entries, lengthsOf(client, t.side)))
      );
      return made.ok ? series.map((t, i) => ({ id: t.id, value: made.value[i]! })) : [];
    });
    await updateTrialValues(tx, restated);
  });

/** A measure of the goal's headline answers the forecasts made before it, and asks for a new one. */
async function foretell(tx: ClientTx, clientId: number, occasionId: number, takenOn: string, measureIds: readonly string[]) {
  const goals = await listGoals(tx, clientId);
  if (!goals.some((g) => measureIds.includes(g.headline))) return;
  const c = withGoal(await loadCase(tx, clientId, takenOn));
  if (!c || !measureIds.includes(c.goal.headline)) return;
  await scoreForecasts(tx, c, occasionId);
  await keepForecasts(tx, c.goal.id, await forecastsOf(c, takenOn));
}
