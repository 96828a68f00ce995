// Long because one life is told in one place, day by day: what is measured, trained and hurt hangs on the same state and the same chance.
import {
  addDays,
  defaultEffortCapPct,
  defaultSensationCap,
  drawnPicture,
  goalOf,
  isAsked,
  isPhoto,
  longHold,
  measureOf,
  normalDraw,
  photoResult,
  poseFigure,
  positionOf,
  seededRandom,
  sides,
  timelineOf,
  wayOf,
  type Entries,
  type RandomSource,
  type Side,
  type TimelineSet
} from '$lib/core';
import type { StartInput } from '$lib/contract/forms';
import type { SetFigures, SetLogInput } from '$lib/contract/setForms';
import type { TrialInput } from '$lib/contract/measureForms';
import type { ClientTx, Database } from '../db/db';
import { insertClient } from '../repo/clientRepo';
import type { PhotoFiles } from '../photos/photoFiles';
import { findConsent, upsertConsent } from '../repo/photoRepo';
import { insertProp } from '../repo/propRepo';
import { getPrescribed, type Session } from '../repo/sessionRepo';
import { changeClient } from '../service/changing';
import { clearScreening, saveScreening } from '../service/checking';
import { bodyOf, loadCase, loadGoalCase } from '../service/clientCase';
import { updateGoal } from '../repo/goalRepo';
import { chooseGoal, saveGoal } from '../service/goalSetting';
import { addToWeek, chooseSchool, noteExercise } from '../service/week';
import { saveOccasion } from '../service/measuring';
import { tellLater } from '../service/pain';
import { judge } from '../service/judging';
import { keepPhoto } from '../service/photos';
import { makePlan } from '../service/planning';
import { revisePlan } from '../service/revisingPlan';
import { finishSession, logSets, startSession, tellPain } from '../service/practising';
import type { Story, TakenStory } from './lanternHall';
import { keepCycles } from '../service/cycles';
import { acceptProposals } from '../service/deciding';
import { setDial } from '../service/settingDial';

/**
 * Writes one person and their whole history, through the same services as the interface, so that it is always consistent; the same
 * day and seed give the same data. Returns their id.
 */
export const writeHistory = (db: Database, files: PhotoFiles, story: Story, today: string, seed: number): Promise<number> =>
  new HistoryWriter(db, files, story, today, seed).write();

const ready: StartInput = {
  answer: 'accept',
  reason: '',
  newSymptom: false,
  symptom: null,
  soreness: 1,
  today: [],
  overdueCheck: true, // who trains for a year is asked again now and then
  sameDay: false
};

/** Lives one person's history day by day. */
class HistoryWriter {
  readonly #random: RandomSource;
  #clientId = 0;
  /** What the body can reach today, cm above the floor; what the record sees carries an error. */
  #reachCm: Record<Side, number>;
  /** Sessions of the plan in force that were not done yet, in their order. */
  #waiting: Session[] = [];
  #toTake: readonly TakenStory[];

  constructor(
    readonly db: Database,
    readonly files: PhotoFiles,
    readonly story: Story,
    readonly today: string,
    seed: number
  ) {
    this.#random = seededRandom(seed);
    this.#toTake = story.links ?? [];
    this.#reachCm = { ...(story.measured?.gapCm ?? { left: 0, right: 0 }) };
  }

  /** Returns the id of the person. */
  async write(): Promise<number> {
    const { story, db } = this;
    this.#clientId = await insertClient(db, story.client);
    for (const { weeksAhead, stageWeeksAgo = 0, ...goal } of [...(story.alsoGoals ?? []), ...(story.goal ? [story.goal] : [])]) {
      const input = {
        ...goal,
        title: '',
        headline: goalOf(goal.kind).headline,
        targetReason: '',
        demands: null,
        targetOn: weeksAhead === null ? null : addDays(this.today, weeksAhead * 7)
      };
      const id = await saveGoal(db, this.#clientId, null, { ...input, stage: 0 }, this.today);
      // A later stage was opened weeks ago.
      const { stage = 0 } = goal;
      if (stage > 0)
        await this.#change((tx) =>
          updateGoal(tx, this.#clientId, id, { ...input, stage }, addDays(this.today, -7 * stageWeeksAgo))
        );
    }
    if (story.screenedWeeksAgo !== undefined) await this.#screen(story.screenedWeeksAgo);
    if (story.measured) {
      await this.#measure(addDays(this.today, -7 * story.measured.weeksAgo), 'warm');
      if (story.plan) await this.#train(story.plan, story.measured);
    }
    if (story.inWork) {
      const { goals } = await loadCase(db, this.#clientId, this.today);
      await chooseGoal(db, this.#clientId, goals.find((g) => g.kind === story.inWork)!.id);
    }
    await this.#takeUntil(addDays(this.today, -7 * (story.practice?.weeksAgo ?? 0)));
    await this.#grade();
    if (story.practice) await this.#practise(story.practice);
    await this.#takeUntil(this.today);
    await this.#wish();
    for (const [daysAgo, exerciseId, judgement] of story.judged ?? [])
      await judge(db, this.#clientId, { exerciseId, judgement }, addDays(this.today, -daysAgo));
    return this.#clientId;
  }

  /** Measures of the story up to a day that were not taken yet, oldest first: what is foretold knows only what was done before. */
  async #takeUntil(on: string): Promise<void> {
    const isDue = ({ daysAgo }: TakenStory) => addDays(this.today, -daysAgo) <= on;
    const due = this.#toTake.filter(isDue).toSorted((a, b) => b.daysAgo - a.daysAgo);
    this.#toTake = this.#toTake.filter((t) => !isDue(t));
    for (const taken of due) await this.#take(taken);
  }

  /** Measures besides the gap of the split: two trials each about the value the body has that day. */
  async #take({ daysAgo, measureId, way, mode = 'passive', support = '', state = 'warm', ...at }: TakenStory): Promise<void> {
    const measure = measureOf(measureId);
    const sd = measure.unit === '°' ? 1.4 : 0.5;
    const round = (v: number) => (measure.unit === 'level' || measure.unit === 'min' ? v : Math.round(v * 2) / 2);
    const places = (['left', 'right', 'both'] as const).filter((place) => at[place] !== undefined);
    const on = addDays(this.today, -daysAgo);
    const trials = places.flatMap((place) => {
      const once = measure.unit === 'level' || measure.unit === 'min' || measure.unit === '/10';
      return (once ? [1] : [1, 2]).map((ordinal): TrialInput => {
        const value = round(at[place]! + (once ? 0 : normalDraw(this.#random) * sd));
        const [field] = wayOf(way).fields;
        const side = place === 'both' ? null : place;
        return { measureId, side, mode, way, support, ordinal, entries: { [field!.id]: value } };
      });
    });
    await saveOccasion(this.db, this.#clientId, {
      ...this.#conditions(on, state),
      trials: isPhoto(way) ? await this.#photographed(on, trials) : trials
    });
  }

  #change(change: (tx: ClientTx) => Promise<unknown>) {
    return changeClient(this.db, this.#clientId, change);
  }

  /** Each trial gets a drawn picture of the position, and reads its number from it. */
  async #photographed(on: string, trials: readonly TrialInput[]): Promise<TrialInput[]> {
    const { client } = await loadCase(this.db, this.#clientId, this.today);
    if (!(await findConsent(this.db, client.id)))
      await this.#change((tx) => upsertConsent(tx, client.id, { givenBy: client.name, givenOn: on }));
    const pictured: TrialInput[] = [];
    for (const trial of trials) {
      const { measureId, side, mode, entries } = trial;
      const { pose, photo } = positionOf(measureId);
      const figure = poseFigure(pose, { side: side ?? 'left', value: Object.values(entries)[0]! }, bodyOf(client));
      const { svg, points } = drawnPicture(figure, Math.floor(this.#random() * 1e6));
      const id = this.#uuid();
      const bytes = new TextEncoder().encode(svg);
      await keepPhoto(this.db, this.files, client.id, { id, measureId, side, mode, takenOn: on, points }, bytes, 'image/svg+xml');
      const value = Math.round(photoResult(photo!, points).value.value * 10) / 10;
      pictured.push({ ...trial, photoId: id, entries: { [Object.keys(entries)[0]!]: value } });
    }
    return pictured;
  }

  /** What stands at home, and how the week's exercises of the goal in work were set, a value every fortnight. */
  async #grade(): Promise<void> {
    const { db, story } = this;
    for (const prop of story.home ?? []) await db.transaction((tx) => insertProp(tx, prop, this.#clientId));
    if (story.school)
      await chooseSchool(db, this.#clientId, { exerciseId: undefined, schoolId: story.school, policies: {} }, this.today);
    for (const exerciseId of story.alsoInWeek ?? []) await addToWeek(db, this.#clientId, exerciseId, this.today);
    for (const [exerciseId, side, dial, ...values] of story.graded ?? [])
      for (const [i, value] of values.entries()) {
        const on = new Date(`${addDays(this.today, -15 * (values.length - i))}T18:00:00`);
        await setDial(db, this.#clientId, { exerciseId, side: side ?? 'left', dial, value, sure: true, reason: '' }, on);
      }
    if (story.cycle) {
      const [exerciseId, cycle] = story.cycle;
      const on = new Date(`${addDays(this.today, -2)}T18:00:00`);
      await keepCycles(db, this.#clientId, { exerciseId, cycles: { left: cycle, right: cycle }, reason: '' }, on);
    }
    for (const { daysAgo, ...told } of story.told ?? []) {
      const feltOn = addDays(this.today, -daysAgo);
      await tellLater(db, this.#clientId, { ...told, feltOn }, new Date(`${feltOn}T09:00:00`));
    }
    for (const [exerciseId, effect, note] of story.notes ?? [])
      await noteExercise(db, this.#clientId, { exerciseId, effect, note }, addDays(this.today, -3));
  }

  /** Weeks of sessions of another goal than the split, up to yesterday. */
  async #practise({ weeksAgo, weeks, attendance, lastUndecided }: NonNullable<Story['practice']>): Promise<void> {
    const { db, story, today } = this;
    const startOn = addDays(today, -7 * weeksAgo);
    const input = { ...this.#planShape(weeks, startOn), schoolId: story.school ?? longHold.id, startOn, basedOnVersion: 0 };
    await makePlan(db, this.#clientId, input, startOn);
    const { sessions } = await loadGoalCase(db, this.#clientId, startOn);
    const due = sessions.filter((s) => s.status === 'planned' && s.plannedOn < today && this.#random() < attendance);
    const waiting = sessions.filter((s) => s.status === 'planned');
    for (const [i, { plannedOn }] of due.entries()) {
      await this.#takeUntil(plannedOn);
      await this.#session(waiting[i]!, plannedOn, null);
      if (!(lastUndecided && i === due.length - 1)) await acceptProposals(db, this.#clientId, plannedOn);
    }
  }

  /** What is wished of the weeks to come, as it would be on the page. */
  async #wish(): Promise<void> {
    const { wishes, serves } = this.story;
    if (!wishes && !serves) return;
    const { plan, goals } = await loadGoalCase(this.db, this.#clientId, this.today);
    const served = goals.find((g) => g.kind === serves);
    const also = served ? [{ goalId: served.id, weight: 'half as much' as const }] : [];
    const { version, schoolId, sessionsPerWeek, minutes } = plan!;
    const shape = { basedOnVersion: version, schoolId, sessionsPerWeek, minutes, missed: 'keep' as const };
    await revisePlan(this.db, this.#clientId, { ...shape, wishes: { ...plan!.wishes, ...wishes, also } }, this.today);
  }

  #conditions(takenOn: string, bodyState: 'cold' | 'warm') {
    return { bodyState, takenOn, dayTime: 'evening', training: 'before', measurer: '', note: '' } as const;
  }

  async #screen(weeksAgo: number): Promise<void> {
    const on = addDays(this.today, -7 * weeksAgo);
    const { flags = [], endStops = [], beighton = [], adult = '' } = this.story;
    const answers = {
      flags,
      sides: {},
      endStops,
      beighton,
      effortCapPct: defaultEffortCapPct,
      sensationCap: defaultSensationCap,
      adult
    };
    await this.#change((tx) => saveScreening(tx, this.#clientId, answers, on));
    if (this.story.clearedBy)
      await clearScreening(this.db, this.#clientId, { clearedBy: this.story.clearedBy, clearNote: 'Fit to train.' }, on);
  }

  async #measure(on: string, bodyState: 'cold' | 'warm'): Promise<void> {
    const dayCm = { left: normalDraw(this.#random) * 1.1, right: normalDraw(this.#random) * 1.1 };
    const trial = (side: Side, mode: 'passive' | 'active', ordinal: number): TrialInput => {
      const aboveCm = mode === 'active' ? (this.story.measured?.activeTrailsCm ?? 0) : 0;
      const depthCm = Math.round((this.#reachCm[side] + aboveCm + dayCm[side] + normalDraw(this.#random) * 0.7) * 2) / 2;
      const entries: Entries = depthCm < 0 ? { raiseCm: -depthCm } : { heightCm: depthCm };
      const way = depthCm < 0 ? 'raise' : 'tape';
      return { measureId: 'front_split_gap', side, mode, way, support: '', ordinal, entries };
    };
    const trials: TrialInput[] = sides.flatMap((side) =>
      (['passive', 'active'] as const).flatMap((mode) => [trial(side, mode, 1), trial(side, mode, 2)])
    );
    await saveOccasion(this.db, this.#clientId, { ...this.#conditions(on, bodyState), trials });
  }

  async #train(plan: NonNullable<Story['plan']>, measured: NonNullable<Story['measured']>): Promise<void> {
    let startOn = addDays(this.today, -7 * plan.weeksAgo);
    const stopsOn = addDays(this.today, -7 * (plan.stopsWeeksAgo ?? 0));
    let version = 0;
    for (let week = 1; startOn < stopsOn; version++) {
      await makePlan(
        this.db,
        this.#clientId,
        { ...this.#planShape(plan.weeks, startOn), schoolId: this.story.school ?? longHold.id, startOn, basedOnVersion: version },
        startOn
      );
      const { sessions } = await loadGoalCase(this.db, this.#clientId, startOn);
      this.#waiting = sessions.filter((s) => s.status === 'planned');
      for (let w = 1; w <= plan.weeks; w++, week++) {
        const ofWeek = sessions.filter((s) => s.status === 'planned' && s.week === w);
        if (!(await this.#trainWeek(week, ofWeek, plan, measured, stopsOn))) return;
      }
      startOn = addDays(startOn, 7 * plan.weeks);
    }
  }

  /** A plan may not reach past the date of the goal. */
  #planShape(weeks: number, startOn: string) {
    const { sessionsPerWeek, minutesPerSession } = this.story.client;
    const ahead = this.story.goal?.weeksAhead;
    const left =
      ahead == null ? weeks : Math.ceil((Date.parse(addDays(this.today, ahead * 7)) - Date.parse(startOn)) / (7 * 864e5));
    return { weeks: Math.min(weeks, left), sessionsPerWeek, minutes: minutesPerSession };
  }

  /** False when the story has come to today, or ended in a stop. */
  async #trainWeek(
    week: number,
    ofWeek: readonly Session[],
    plan: NonNullable<Story['plan']>,
    measured: NonNullable<Story['measured']>,
    stopsOn: string
  ): Promise<boolean> {
    const away = plan.away?.includes(week) ?? false;
    for (const slot of ofWeek) {
      const on = slot.plannedOn;
      if (on >= stopsOn) return false;
      // The day something hurt is in every telling, whatever else is missed.
      const hurt = plan.pain?.week === week && slot.ordinal === 1 ? plan.pain : null;
      const isMissed = this.#random() > plan.attendance;
      if (away || (isMissed && !hurt)) continue;
      // Who missed a session goes on with it the next time; nothing is skipped.
      const session = this.#waiting.shift() ?? slot;
      await this.#session(session, on, hurt);
      if (hurt && hurt.kind === 'sharp_pop') return false;
      const isLast = addDays(on, 3) >= stopsOn;
      if (!(isLast && plan.lastUndecided)) await acceptProposals(this.db, this.#clientId, on);
    }
    const gaining = week <= (measured.stallsAfterWeeks ?? Infinity) && !away;
    for (const side of sides) {
      const leftToGo = this.#reachCm[side] + 10; // it slows down as the goal comes near, and goes on past flat
      this.#reachCm[side] += away ? 0.6 : gaining ? -leftToGo * measured.gainShare : normalDraw(this.#random) * 0.15;
    }
    const last = ofWeek.at(-1)?.plannedOn;
    const measureUntil = addDays(this.today, -7 * (measured.lastMeasureWeeksAgo ?? 0));
    if (week % 2 === 0 && last && !away && last < measureUntil) await this.#measure(last, 'warm');
    return true;
  }

  async #session({ id }: Session, on: string, hurt: NonNullable<Story['plan']>['pain'] | null): Promise<void> {
    const { db } = this;
    const at = (minutes: number) => new Date(new Date(`${on}T17:00:00`).getTime() + minutes * 60_000);
    await startSession(db, this.#clientId, id, ready, at(0));
    const { sets } = timelineOf(await getPrescribed(db, id));
    const done: SetLogInput[] = [];
    const onSide = sets.filter((s) => hurt && isAsked(s.work) && s.side === (hurt.side ?? 'left') && s.setNo === 1);
    const hurtIn = onSide.find((s) => s.exerciseId === 'front_split_on_stack') ?? onSide[0];
    for (const set of sets) {
      const isHurt = hurt && set === hurtIn;
      if (isHurt) {
        const pain = { kind: hurt.kind, place: hurt.place, side: hurt.side };
        await tellPain(
          db,
          this.#clientId,
          id,
          { id: this.#uuid(), setIndex: set.index, exerciseId: set.exerciseId, workSide: set.side, ...pain },
          at(30)
        );
        if (hurt.kind === 'sharp_pop') return logSets(db, this.#clientId, id, done);
      }
      done.push(this.#setLog(set, isHurt === true));
    }
    await logSets(db, this.#clientId, id, done);
    await finishSession(db, this.#clientId, id, { status: 'done' }, at(sets.at(-1)!.endS / 60));
  }

  #setLog(set: TimelineSet, short: boolean): SetLogInput {
    const plannedS = Math.round(set.endS - set.workStartS);
    const base = {
      id: this.#uuid(),
      setIndex: set.index,
      exerciseId: set.exerciseId,
      side: set.side,
      plannedS,
      actualS: short ? Math.round(plannedS * 0.4) : plannedS + Math.floor(this.#random() * 3),
      setting: set.work.setting,
      figures: seenIn(set)
    };
    if (!isAsked(set.work)) return { ...base, clean: null, sensation: null, felt: null, slipped: null };
    const ofSplit = set.exerciseId === 'front_split_on_stack' && set.side !== null && set.work.rung;
    const strainCm = ofSplit ? this.#reachCm[set.side!] - ofSplit.depthCm : 0;
    const sensation = Math.max(1, Math.min(9, Math.round(2.8 + 0.55 * strainCm + normalDraw(this.#random) * 0.5)));
    const slipped = this.#random() < 0.03 ? ('hips turned' as const) : ('nothing' as const);
    if (sensation <= 4 && slipped === 'nothing' && !short)
      return { ...base, clean: true, sensation: null, felt: null, slipped: null };
    return { ...base, clean: false, sensation, felt: 'expected', slipped };
  }

  /** A UUID from the seeded source, so that the same day gives the same data. */
  #uuid(): string {
    const hex = (n: number) => Array.from({ length: n }, () => Math.floor(this.#random() * 16).toString(16)).join('');
    return `${hex(8)}-${hex(4)}-4${hex(3)}-8${hex(3)}-${hex(12)}`;
  }
}

/** What the instructor wrote down of lifts: one set in three with efforts and the drop, one with its signs. */
function seenIn({ index, work }: TimelineSet): SetFigures {
  if (work.form.kind !== 'reps' || index % 3 === 2) return {};
  return index % 3 === 0 ? { effortTold: 6, effortSeen: 5, dropDeg: 2 + (index % 4) } : { signs: ['trembling'] };
}
