// Long because the course of a session is one state machine: what runs, what is asked, what a pain changes hang on each other.
import {
  afterPain,
  compileForm,
  countAt,
  exercisesIn,
  isAsked,
  painKindOf,
  phaseAt,
  rampSteps,
  stepsAfterPain,
  timelineOf,
  type Block,
  type FindExercise,
  type FlowStep,
  type PainEvent,
  type Phase,
  type SessionOptions,
  type Side,
  type TimelineSet,
  type Work
} from '$lib/core';
import type { PainInput, SetLogInput } from '$lib/contract/forms';
import { stored } from '$lib/ui/stored';
import type { Outbox } from './outbox.svelte';

export type Mode = 'play' | 'ask' | 'notes' | 'pain' | 'advice' | 'ended';
export type Notes = Pick<SetLogInput, 'sensation' | 'felt' | 'slipped'>;
type Said = Pick<SetLogInput, 'clean'> & Notes;
type ToldPain = PainEvent & Readonly<{ setIndex: number; exerciseId?: string | null; workSide?: Side | null }>;

/** Where the player stands; kept in the browser so that a reload comes back to it. */
type Place = {
  setIndex: number;
  elapsedS: number;
  spentS: number;
  extraS: Record<number, number>;
  asking: boolean;
  unsaid: readonly Unsaid[];
};

/** A set that is worked, and of which nobody has said yet how it was. */
type Unsaid = Readonly<{ setIndex: number; spentS: number }>;

/** When it is asked how the sets were, so that nobody has to get up after every one. */
export const askTimes = ['each set', 'each exercise', 'the session'] as const;
export type AskTime = (typeof askTimes)[number];

/** Work that the gate bars since the session began: it is not played any more. */
export type BarredWork = Readonly<{ exerciseId: string; side: Side | null; why: string }>;

type Start = Readonly<{
  sessionId: number;
  blocks: readonly Block[];
  options?: SessionOptions;
  logged: readonly number[];
  pains: readonly ToldPain[];
  barred?: readonly BarredWork[];
  ended: boolean;
  outbox: Outbox;
}>;

const backToStartS = 2;
const extendS = 10;

/**
 * The course of a session: one set after the other, each with its phases, until all are done or a stop sign ends it.
 * Time comes in by `tick`; nothing here reads a clock.
 */
export class Player {
  readonly sets: readonly TimelineSet[];
  readonly totalS: number;
  readonly barred: readonly BarredWork[];
  /** The exercises of this session, own ones as they were when it was composed. */
  readonly find: FindExercise;
  readonly #outbox: Outbox;
  readonly #placeKey: string;

  setIndex = $state(0);
  elapsedS = $state(0);
  paused = $state(true);
  mode = $state<Mode>('play');
  askAfter = $state<AskTime>('each set');
  /** Pain told last, for the advice. */
  advice = $state<PainEvent | null>(null);
  stopped = $state(false);
  #unsaid = $state<readonly Unsaid[]>([]);
  #isEnding = false;
  /** Where the pain told last was told: at the question of a set, or in what ran. */
  #toldAt = $state(0);
  #wasAsking = false;
  logged = $state<number[]>([]);
  #pains = $state<ToldPain[]>([]);
  /** Seconds of work really spent in this set, extensions and all. */
  #spentS = $state(0);
  /** Seconds added by hand, by phase of this set. */
  #extraS = $state<Record<number, number>>({});

  constructor({ sessionId, blocks, options, logged, pains, barred = [], ended, outbox }: Start) {
    const timeline = timelineOf({ blocks, options });
    this.sets = timeline.sets;
    this.totalS = timeline.durationS;
    this.barred = barred;
    this.find = exercisesIn(blocks);
    this.#outbox = outbox;
    this.#placeKey = `calm-reach/place/${sessionId}`;
    this.#pains = [...pains];
    this.logged = [...new Set([...logged, ...outbox.setIndices])];
    if (ended) this.mode = 'ended';
    else this.#restore();
  }

  readonly #outcomes = $derived.by(() => this.#pains.map((p) => afterPain(this.sets, p.setIndex, p, this.find)));
  readonly #dropped = $derived(new Set(this.#outcomes.flatMap((o) => o.dropped)));
  readonly #eased = $derived(new Set(this.#outcomes.flatMap((o) => o.eased)));

  readonly set = $derived.by(() => this.sets[this.setIndex]!);
  readonly toAsk = $derived(this.#unsaid.length);
  /** The set that is asked about. */
  readonly asked = $derived.by(() => this.sets[this.#unsaid[0]?.setIndex ?? this.setIndex]!);
  /** The work of this set: the easier one where a pain asked for it. */
  readonly work: Pick<Work, 'form' | 'setting' | 'rung' | 'stacks'> = $derived.by(() => this.#workOf(this.set));
  /** What the pain told last does to the rest of the session. */
  readonly outcome = $derived.by(() => this.advice && afterPain(this.sets, this.#toldAt, this.advice, this.find));
  readonly isEased = $derived(this.#eased.has(this.setIndex));
  readonly phases: readonly Phase[] = $derived.by(() => this.#phasesOf(this.set, this.#extraS));
  readonly phase: Phase = $derived.by(() => phaseAt(this.phases, this.elapsedS) ?? this.phases.at(-1)!);
  readonly phaseIndex = $derived(this.phases.indexOf(this.phase));
  /** The breath, pulse or circle that runs. */
  readonly count = $derived.by(() => countAt(this.phase, this.elapsedS));
  readonly remainingS = $derived(Math.max(0, this.phase.endS - this.elapsedS));
  readonly readyS = $derived.by(() => this.set.workStartS - this.set.startS);
  /** The steps of a flow, where this set is one, and how many phases stand before the first. */
  readonly #steps = $derived.by(() => (this.work.form.kind === 'flow' ? this.work.form.spec.steps : []));
  readonly #stepIndex = $derived.by(() => this.phaseIndex - (this.phases.length - this.#steps.length));
  /** Steps that are not done any more: barred since the session began, or after a pain told in one of them. */
  readonly #droppedSteps = $derived.by(() => {
    const told = this.#pains.filter((p) => p.setIndex === this.setIndex);
    const isBarred = (s: FlowStep) => this.barred.some((b) => b.exerciseId === s.exerciseId && b.side === (s.side ?? null));
    return new Set([
      ...this.#steps.flatMap((s, i) => (isBarred(s) ? [i] : [])),
      ...told.flatMap((p) => stepsAfterPain(this.#steps, this.#stepOf(p), p))
    ]);
  });
  /** What is done now: the exercise and side of a flow's step, else those of the set. */
  readonly shown: Readonly<{ exerciseId: string; side: Side | null }> = $derived.by(() => this.#shownAt(this.#stepIndex));
  /** The step of a flow that comes next, with its exercise. */
  readonly nextShown = $derived.by(() => {
    const following = this.#steps.findIndex((s, i) => i > this.#stepIndex && s.exerciseId && !this.#droppedSteps.has(i));
    return following < 0 ? null : this.#shownAt(following);
  });
  readonly next: TimelineSet | null = $derived.by(() => this.#following(this.setIndex));
  readonly doneS = $derived.by(() => this.set.startS + Math.min(this.elapsedS, this.set.endS - this.set.startS));
  /** The percent announced now: the last whole step of a ramp, the level of an even phase. */
  readonly announcedPct = $derived.by(() => {
    const { phase } = this;
    const passed = rampSteps(phase).findLast((s) => s.atS <= this.elapsedS);
    return Math.round(Math.abs(passed ? passed.pct : phase.fromPct));
  });

  #shownAt(stepIndex: number): { exerciseId: string; side: Side | null } {
    const step = this.#steps[Math.max(0, stepIndex)];
    const { exerciseId, side } = this.set;
    return step?.exerciseId ? { exerciseId: step.exerciseId, side: step.side ?? null } : { exerciseId, side };
  }
  #stepOf = ({ exerciseId, workSide = null }: ToldPain): number =>
    this.#steps.findIndex((s) => s.exerciseId === exerciseId && (s.side ?? null) === workSide);

  #workOf(set: TimelineSet): Pick<Work, 'form' | 'setting' | 'rung' | 'stacks'> {
    return this.#eased.has(set.index) && set.work.easier ? set.work.easier : set.work;
  }

  #phasesOf(set: TimelineSet, extraS: Record<number, number>): Phase[] {
    const readyS = set.workStartS - set.startS;
    const kind = set.newExercise || set.sideChange ? ('ready' as const) : ('rest' as const);
    const ready: Phase[] = readyS > 0 ? [{ kind, startS: 0, endS: readyS, fromPct: 0, toPct: 0, cue: 'Get ready.' }] : [];
    let shiftS = readyS;
    const work = compileForm(this.#workOf(set).form, { effortCapPct: 100 });
    return [...ready, ...work].map((phase, i) => {
      if (i < ready.length) return phase;
      const startS = phase.startS + shiftS;
      shiftS += extraS[i] ?? 0;
      return { ...phase, startS, endS: phase.endS + shiftS };
    });
  }

  #isOpen = (set: TimelineSet): boolean =>
    !this.#dropped.has(set.index) && !this.logged.includes(set.index) && !this.#isBarred(set);
  #isBarred = (set: TimelineSet): boolean =>
    isAsked(set.work) && this.barred.some((b) => b.exerciseId === set.exerciseId && b.side === set.side);
  #following = (index: number): TimelineSet | null => this.sets.find((s) => s.index > index && this.#isOpen(s)) ?? null;

  /** Lets time pass. At the end of a set it waits for what is said of it. */
  tick(deltaS: number): void {
    if (this.paused || this.mode !== 'play') return;
    const endS = this.phases.at(-1)!.endS;
    const stepS = Math.min(deltaS, endS - this.elapsedS);
    const workFrom = Math.max(this.elapsedS, this.readyS);
    this.#spentS += Math.max(0, this.elapsedS + stepS - workFrom);
    this.elapsedS += stepS;
    this.#passDropped();
    this.#keepPlace();
    if (this.elapsedS >= endS - 1e-6) this.#endSet();
  }

  togglePause(): void {
    if (this.mode === 'play') this.paused = !this.paused;
    this.#keepPlace();
  }

  /** To the start of this phase, or of the one before when it has only begun. */
  back(): void {
    const again = this.elapsedS - this.phase.startS > backToStartS || this.phaseIndex === 0;
    this.elapsedS = again ? this.phase.startS : this.phases[this.phaseIndex - 1]!.startS;
    this.#keepPlace();
  }

  /** To the next phase; out of the last one the set ends. */
  skip(): void {
    this.elapsedS = this.phase.endS;
    this.#passDropped();
    this.#keepPlace();
    if (this.elapsedS >= this.phases.at(-1)!.endS - 1e-6) this.#endSet();
  }

  /** Over the steps that are not done any more. */
  #passDropped(): void {
    const endS = this.phases.at(-1)!.endS;
    while (this.elapsedS < endS - 1e-6 && this.#droppedSteps.has(this.#stepIndex)) this.elapsedS = this.phase.endS;
  }

  extend(): void {
    this.#extraS = { ...this.#extraS, [this.phaseIndex]: (this.#extraS[this.phaseIndex] ?? 0) + extendS };
    this.#keepPlace();
  }

  #endSet(): void {
    const { set } = this;
    if (!isAsked(set.work)) {
      this.#log(set, this.#spentS, { clean: null, sensation: null, felt: null, slipped: null });
      this.#goOn();
      return;
    }
    this.#unsaid = [...this.#unsaid, { setIndex: set.index, spentS: this.#spentS }];
    const following = this.#following(set.index);
    const canWait =
      this.askAfter === 'the session' || (this.askAfter === 'each exercise' && following?.exerciseId === set.exerciseId);
    if (following && canWait) this.#goOn();
    else this.#ask();
  }

  #ask(): void {
    this.mode = 'ask';
    this.#keepPlace();
  }

  clean(): void {
    this.#say({ clean: true, sensation: null, felt: null, slipped: null });
  }

  keepNotes(notes: Notes): void {
    this.#say({ clean: false, ...notes });
  }

  /** The set was not done: nothing is kept of it. */
  notDone(): void {
    this.#say(null);
  }

  /** What is said of the set that is asked about; then the next question, or on. */
  #say(said: Said | null): void {
    const [first, ...others] = this.#unsaid;
    if (first && said) this.#log(this.sets[first.setIndex]!, first.spentS, said);
    this.#unsaid = others;
    if (others.length > 0) this.#ask();
    else this.#goOn();
  }

  #log(set: TimelineSet, spentS: number, said: Said): void {
    const work = this.#workOf(set);
    const log: SetLogInput = {
      id: crypto.randomUUID(),
      setIndex: set.index,
      exerciseId: set.exerciseId,
      side: set.side,
      plannedS: Math.round(compileForm(work.form, { effortCapPct: 100 }).at(-1)?.endS ?? 0),
      actualS: Math.round(spentS),
      setting: work.setting,
      ...said
    };
    this.#outbox.put('sets', log);
    this.logged = [...this.logged, set.index];
  }

  #goOn(): void {
    const following = this.#isEnding ? null : this.#following(this.setIndex);
    if (!following) {
      if (this.#unsaid.length > 0) this.#ask();
      else this.#end('done');
      return;
    }
    this.setIndex = following.index;
    this.elapsedS = 0;
    this.#spentS = 0;
    this.#extraS = {};
    this.mode = 'play';
    this.paused = false;
    this.#keepPlace();
  }

  askPain(): void {
    if (this.mode === 'ended') return;
    this.#wasAsking = this.mode === 'ask' || this.mode === 'notes';
    this.paused = true;
    this.mode = 'pain';
  }

  /** Back from the pain picker without having told one. */
  cancelPain(): void {
    this.mode = this.#wasAsking ? 'ask' : 'play';
  }

  tellPain(event: PainEvent): void {
    const set = this.#wasAsking ? this.asked : this.set;
    const at = this.#wasAsking ? set : this.shown;
    this.#toldAt = set.index;
    const told: PainInput = {
      id: crypto.randomUUID(),
      setIndex: set.index,
      exerciseId: at.exerciseId,
      workSide: at.side,
      ...event
    };
    this.#outbox.put('pain', told);
    this.#pains = [...this.#pains, told];
    this.advice = event;
    const { endsSession } = afterPain(this.sets, set.index, event, this.find);
    if (endsSession) this.#end('stopped');
    else this.mode = 'advice';
  }

  /** On after the advice: the same set where the pain was none, else the next one. */
  afterAdvice(): void {
    const { outcome } = this;
    this.advice = null;
    if (!outcome?.endsSet) {
      this.cancelPain();
      return;
    }
    if (this.#wasAsking) {
      this.#say(unsaidButHurt);
      return;
    }
    // Of a warm-up the step ends and what bears on the place; the rest of it is done, since nobody is stretched cold.
    if (this.#steps[this.#stepIndex]?.exerciseId) {
      this.mode = 'play';
      this.paused = false;
      this.#passDropped();
      this.#keepPlace();
      if (this.elapsedS >= this.phases.at(-1)!.endS - 1e-6) this.#endSet();
      return;
    }
    // What was done of the set counts as a set with something to note, not as a clean one.
    if (isAsked(this.set.work) && this.#spentS > 0) this.#log(this.set, this.#spentS, unsaidButHurt);
    this.#goOn();
  }

  #end(status: 'done' | 'stopped'): void {
    // What was worked is kept, also where a stop came before anybody said how it was: never as clean.
    for (const { setIndex, spentS } of this.#unsaid) this.#log(this.sets[setIndex]!, spentS, unsaidButHurt);
    this.#unsaid = [];
    this.stopped = status === 'stopped';
    this.mode = 'ended';
    this.paused = true;
    // A stop is ended by the server when it hears of the pain; saying it here as well does no harm.
    this.#outbox.put('finish', { status });
    localStorage.removeItem(this.#placeKey);
  }

  /** Ends the session before its last set. */
  finishEarly(): void {
    this.#isEnding = true;
    this.#goOn();
  }

  #keepPlace(): void {
    const place: Place = {
      setIndex: this.setIndex,
      elapsedS: this.elapsedS,
      spentS: this.#spentS,
      extraS: this.#extraS,
      asking: this.mode === 'ask' || this.mode === 'notes',
      unsaid: this.#unsaid
    };
    localStorage.setItem(this.#placeKey, JSON.stringify(place));
  }

  #restore(): void {
    const kept = stored(this.#placeKey) as Place | null;
    const at = typeof kept?.elapsedS === 'number' ? this.sets[kept.setIndex] : undefined;
    if (at && Array.isArray(kept?.unsaid))
      this.#unsaid = kept.unsaid.filter((u) => this.sets[u.setIndex] && !this.logged.includes(u.setIndex));
    if (kept && at && this.#isOpen(at)) {
      this.setIndex = kept.setIndex;
      this.elapsedS = kept.elapsedS;
      this.#spentS = kept.spentS;
      this.#extraS = kept.extraS;
      if (kept.asking && this.#unsaid.length > 0) this.mode = 'ask';
      return;
    }
    const first = this.sets.find((s) => this.#isOpen(s));
    if (first) this.setIndex = first.index;
    else this.#end('done'); // everything was said, only the end was not
  }
}

/** Of a set that hurt, or of which nobody said how it was. */
const unsaidButHurt: Said = { clean: false, sensation: null, felt: null, slipped: null };

/** What a pain asks for, in the words of its kind. */
export const adviceText = (event: PainEvent): string => painKindOf(event.kind).advice;
