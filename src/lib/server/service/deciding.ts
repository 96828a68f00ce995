import type { DecideInput, UndoDecisionInput } from '$lib/contract/forms';
import type { Proposal } from '$lib/contract/review';
import { CoreError, isSore, painPlaceOf, reasonText, sides, whyText, type Verdict } from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { deleteDecision, insertDecisions, type DecisionRecord } from '../repo/decisionRepo';
import { insertLock } from '../repo/lockRepo';
import { upsertSettings, type GoalSetting } from '../repo/planRepo';
import { loadLoggedCase, type GoalCase, type LoggedCase } from './clientCase';
import { changeClient } from './changing';
import { settingOf } from './gradeExercise';
import { exerciseIn } from './library';
import { proposalsOf } from './reviewing';
import { barsOf, gateOf, measuredOf } from './safety';
import { limitsOfLastSession, painsIn } from './sessionRecords';

/** Another verdict than the proposed one, with its reason. */
export type Overrule = Readonly<{ verdict: Verdict; reason: string }>;

/**
 * Carries decisions out: keeps them, moves the settings, and takes out what is stopped until a named person clears it.
 *
 * Throws: CoreError 'reason_missing', 'stop_not_overruled', 'deepen_against_limit', 'nothing_to_deepen'.
 */
export async function decideAll(
  tx: ClientTx,
  c: GoalCase,
  proposals: readonly Proposal[],
  overrule: Overrule | null,
  decidedOn: string
): Promise<void> {
  const made = proposals.map((proposal) => {
    const { verdict, dial, from, to } =
      overrule && overrule.verdict !== proposal.verdict ? overruled(c, proposal, overrule) : proposal;
    const { sessionId, moment, exerciseId, side, verdict: proposedVerdict, because } = proposal;
    const overruledBecause = verdict === proposedVerdict ? null : (overrule?.reason ?? null);
    const decided = { verdict, dial, from, to, overruledBecause, decidedOn };
    return { proposal, decision: { sessionId, moment, exerciseId, side, proposedVerdict, because, ...decided } };
  });
  const keptDecisions = new Set(
    await insertDecisions(
      tx,
      c.goal.id,
      made.map((m) => m.decision)
    )
  );
  const moved: GoalSetting[] = [];
  for (const { proposal, decision } of made.filter((m) => keptDecisions.has(m.decision))) {
    const { exerciseId, side, verdict, dial, to } = decision;
    if (dial !== null && to !== null) {
      const exercise = exerciseIn(c.catalogue, exerciseId);
      // What is done with both sides together stands alike on either.
      for (const on of side === null ? sides : [side])
        moved.push({ exerciseId, side: on, setting: { ...settingOf(c, exercise, on), [dial]: to } });
    }
    if (verdict === 'stop') await stopExercise(tx, c, proposal, decidedOn);
  }
  await upsertSettings(tx, c.goal.id, moved);
}

function overruled(
  c: GoalCase,
  { verdict: proposed, dials, exerciseId, side }: Proposal,
  { verdict, reason }: Overrule
): Pick<Proposal, 'verdict' | 'dial' | 'from' | 'to'> {
  if (proposed === 'stop') throw new CoreError('stop_not_overruled');
  if (reason.trim() === '') throw new CoreError('reason_missing');
  if (verdict === 'deepen') {
    // A wait may be passed over with the reason that is written here; a stop, a limit and a stage may not.
    const exercise = exerciseIn(c.catalogue, exerciseId);
    const setting = settingOf(c, exercise, side ?? 'left');
    const { bars, keeps } = gateOf(c, exercise, side, setting, measuredOf(c, exercise, side), limitsOfLastSession(c));
    const against = bars[0] ?? keeps;
    if (against) throw new CoreError('deepen_against_limit', { why: reasonText(against) });
  }
  if (verdict === 'stay' || verdict === 'stop') return { verdict, dial: null, from: null, to: null };
  const dial = dials.find((d) => (verdict === 'deepen' ? d.harder : d.easier) !== null);
  if (!dial) {
    if (verdict === 'deepen') throw new CoreError('nothing_to_deepen');
    return { verdict, dial: null, from: null, to: null };
  }
  return { verdict, dial: dial.id, from: dial.at, to: verdict === 'deepen' ? dial.harder : dial.easier };
}

/**
 * An accepted stop takes the exercise out on that side until a named person clears it; sore pain twice running locks its joint as
 * well. What a stop that is open takes out already needs no second one.
 */
async function stopExercise(
  tx: ClientTx,
  c: GoalCase,
  { exerciseId, side, rule, because, sessionId }: Proposal,
  openedOn: string
): Promise<void> {
  const exercise = exerciseIn(c.catalogue, exerciseId);
  const open = { openedOn, painEventId: null };
  if (barsOf(c, exercise, side).some((b) => b.code === 'stop')) return;
  if (rule === 'sore joint')
    for (const pain of painsIn(c, sessionId, exerciseId, side).filter(isSore)) {
      const place = painPlaceOf(pain.place);
      const reason = `Twice running in ${exercise.name.toLowerCase()}: ${place.label.toLowerCase()}`;
      if (place.joint)
        await insertLock(tx, c.client.id, {
          stop: { joint: place.joint, side: place.sided ? pain.side : null },
          reason,
          ...open
        });
    }
  await insertLock(tx, c.client.id, {
    stop: { exerciseId, side },
    reason: `${exercise.name}: ${because[0] ? whyText(because[0]) : 'stopped in Review'}`,
    ...open
  });
}

/** One decision of the instructor after a session, accepted or overruled. Throws: those of `decideAll`, 'not_found'. */
export const decideProposal = (db: Database, clientId: number, input: DecideInput, today: string): Promise<void> =>
  changeLogged(db, clientId, today, (tx, c) => {
    const proposal = proposalsOf(c).find((p) => p.exerciseId === input.exerciseId && p.side === input.side);
    if (!proposal) throw new CoreError('not_found', { what: 'proposal' });
    return decideAll(tx, c, [proposal], { verdict: input.verdict, reason: input.overruledBecause }, today);
  });

const changeLogged = (
  db: Database,
  clientId: number,
  today: string,
  change: (tx: ClientTx, c: LoggedCase) => Promise<void>
): Promise<void> => changeClient(db, clientId, async (tx) => change(tx, await loadLoggedCase(tx, clientId, today)));

/**
 * Takes the last decision on an exercise and side back: it is proposed again, and its dial stands where it stood. A stop stays: a named person
 * clears it in Check.
 *
 * Throws: CoreError 'not_found', 'stop_not_undone', 'decision_carried_on' once a session was begun since, or its dial was moved.
 */
export const undoDecision = (
  db: Database,
  clientId: number,
  { exerciseId, side }: UndoDecisionInput,
  today: string
): Promise<void> =>
  changeLogged(db, clientId, today, async (tx, c) => {
    const decision = c.decisions.findLast((d) => d.exerciseId === exerciseId && d.side === side);
    if (!decision) throw new CoreError('not_found', { what: 'decision' });
    if (decision.verdict === 'stop') throw new CoreError('stop_not_undone');
    if (!isOpenToUndo(c, decision)) throw new CoreError('decision_carried_on');
    const { dial, from } = decision;
    const exercise = exerciseIn(c.catalogue, exerciseId);
    const on = side === null ? sides : [side];
    if (!(await deleteDecision(tx, decision.id))) throw new CoreError('not_found', { what: 'decision' });
    if (dial !== null && from !== null)
      await upsertSettings(
        tx,
        c.goal.id,
        on.map((s) => ({ exerciseId, side: s, setting: { ...settingOf(c, exercise, s), [dial]: from } }))
      );
  });

/** Whether a decision can be taken back: it is no stop, no session was begun since, and its dial stands where it put it. */
export function isOpenToUndo(c: LoggedCase, decision: DecisionRecord): boolean {
  const { exerciseId, side, dial, to } = decision;
  const exercise = c.catalogue.find((e) => e.id === exerciseId);
  const newest = c.decisions.findLast((d) => d.exerciseId === exerciseId && d.side === side);
  if (!exercise || newest?.id !== decision.id || decision.verdict === 'stop' || decision.moment === 'resume') return false;
  const lastBegun = c.sessions.findLast((s) => s.startedAt !== null);
  const on = side === null ? sides : [side];
  return lastBegun?.id === decision.sessionId && (dial === null || on.every((s) => settingOf(c, exercise, s)[dial] === to));
}

/** Accepts what is still proposed after the last session: all of it, or all but stops, which are looked at one by one. */
export const acceptProposals = (
  db: Database,
  clientId: number,
  today: string,
  which: 'all' | 'no stops' = 'all'
): Promise<void> =>
  changeLogged(db, clientId, today, (tx, c) =>
    decideAll(
      tx,
      c,
      proposalsOf(c).filter((p) => which === 'all' || p.verdict !== 'stop'),
      null,
      today
    )
  );
