// Long because the course of a session is one state machine: what runs, what is asked, what a pain changes hang on each other.
import {
  afterPain,
  compileForm,
  countAt,
  countedIn,
  endsSession,
  exercisesIn,
  isAsked,
  painKindOf,
  painPlaceOf,
  phaseAt,
  progressRules,
  rampSteps,
  repsDone,
  stepsAfterPain,
  timelineOf,
  type Block,
  type FindExercise,
  type FlowStep,
  type PainEvent,
  type PainGrade,
  type Phase,
  type SessionOptions,
  type Setting,
  type Side,
  type Form,
  type TimelineSet
} from '$lib/core';
import type { PainInput } from '$lib/contract/forms';
import type { SetFigures, SetLogInput } from '$lib/contract/setForms';
import type { BarredWork, ToldInSet } from '$lib/contract/played';
import { placeKeyOf } from '$lib/ui/device/deviceStore';
import type { SessionLetters } from '$lib/ui/device/outbox.svelte';
import { newId } from '$lib/ui/newId';
import { store, stored } from '$lib/ui/stored';
import { OnTheWay, type Kept, type WorkNow } from './onTheWay.svelte';

export type Mode = 'play' | 'ask' | 'notes' | 'leave out' | 'pain' | 'advice' | 'ended';
export type Notes = Pick<SetLogInput, 'sensation' | 'felt' | 'slipped'>;
type Said = Pick<SetLogInput, 'clean' | 'figures' | 'leftOut'> & Notes;
export type LeftOutReason = NonNullable<SetLogInput['leftOut']>;

/** Where the player stands; kept in the browser so that a reload comes back to it. */
type Place = {
  setIndex: number;
  elapsedS: number;
  spentS: number;
  extraS: Record<number, number>;
  asking: boolean;
  unsaid: readonly Unsaid[];
  changed?: Kept;
  /** What this device has said, whether or not a server told it back: sets, what was left out, pains. */
  logged?: readonly number[];
  leftOut?: readonly number[];
  pains?: readonly ToldInSet[];
  readings?: readonly Reading[];
};

/** A number that a test showed. Units: centimetres or degrees, as the test reads them. */
export type Reading = Readonly<{ setIndex: number; exerciseId: string; side: Side | null; value: number }>;

/** A set that is worked, and of which nobody has said yet how it was. */
type Unsaid = Readonly<{
  setIndex: number;
  spentS: number;
  /** How many were done, where that is open until the last one. */
  done?: number;
}>;

/** When it is asked how the sets were, so that nobody has to get up after every one. */
export const askTimes = ['each set', 'each exercise', 'the session'] as const;
export type AskTime = (typeof askTimes)[number];

type Start = Readonly<{
  sessionId: number;
  blocks: readonly Block[];
  options?: SessionOptions;
  logged: readonly number[];
  leftOut?: readonly number[];
  pains: readonly ToldInSet[];
  barred?: readonly BarredWork[];
  ended: boolean;
  outbox: Pick<SessionLetters, 'put' | 'setIndices'>;
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
  /** What is changed by hand on the way. */
  readonly changes = new OnTheWay();
  readonly #outbox: Start['outbox'];
  readonly #placeKey: string;

  setIndex = $state(0);
  elapsedS = $state(0);
  paused = $state(true);
  mode = $state<Mode>('play');
  askAfter = $state<AskTime>('each set');
  /** A reload comes back to this place; not where the browser keeps nothing more. */
  isPlaceKept = $state(true);
  /** Pain told last, for the advice. */
  advice = $state<PainEvent | null>(null);
  stopped = $state(false);
  #unsaid = $state<readonly Unsaid[]>([]);
  #isEnding = false;
  /** Where the pain told last was told: at the question of a set, or in what ran. */
  #toldAt = $state(0);
  #wasAsking = false;
  logged = $state<number[]>([]);
  /** Sets of which it was said that they are left out. */
  leftOut = $state<readonly number[]>([]);
  /** Numbers that were read off in this session, the earliest first. */
  readings = $state.raw<readonly Reading[]>([]);
  #pains = $state<ToldInSet[]>([]);
  /** Seconds of work really spent in this set, extensions and all. */
  #spentS = $state(0);
  /** Seconds added by hand, by phase of this set. */
  #extraS = $state<Record<number, number>>({});

  constructor({ sessionId, blocks, options, logged, leftOut = [], pains, barred = [], ended, outbox }: Start) {
    const timeline = timelineOf({ blocks, options });
    this.sets = timeline.sets;
    this.totalS = timeline.durationS;
    this.barred = barred;
    this.find = exercisesIn(blocks);
    this.#outbox = outbox;
    this.#placeKey = placeKeyOf(sessionId);
    const place = stored(this.#placeKey) as Place | null;
    this.readings = listed<Reading>(place?.readings);
    this.#pains = [...new Map([...pains, ...listed<ToldInSet>(place?.pains)].map((p, i) => [p.id ?? i, p])).values()];
    this.leftOut = [...new Set([...leftOut, ...listed<number>(place?.leftOut)])];
    this.logged = [...new Set([...logged, ...listed<number>(place?.logged), ...this.leftOut, ...outbox.setIndices])];
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
  readonly work: WorkNow = $derived.by(() => this.#workOf(this.set));
  /** What is counted of it, and whether one more is open. */
  readonly counted = $derived.by(() => countedIn(this.work.form));
  readonly mayAdd = $derived.by(() => this.changes.mayAdd(this.set, this.work.form));
  /** Whether it ends where it is no longer clean, and whoever does it says so. */
  readonly endsByWord = $derived.by(() => {
    const { form } = this.work;
    return (form.kind === 'reps' && form.spec.leastReps !== undefined) || isUntilEased(form);
  });
  readonly mayEase = $derived.by(() => this.set.work.easier !== undefined && !this.isEased);
  /** The same set of the other side, still to come, while this one has not begun. */
  readonly otherSide: TimelineSet | null = $derived.by(() => {
    const { set } = this;
    if (set.side === null || this.#spentS > 0) return null;
    const isOther = (s: TimelineSet) => s.exerciseId === set.exerciseId && s.side !== set.side && s.setNo === set.setNo;
    return this.sets.find((s) => s.index > set.index && isOther(s) && this.#isOpen(s)) ?? null;
  });
  /** How many more the other side did of this set, which this one may do as well. */
  readonly moreOnOther = $derived.by(() => {
    const { set } = this;
    const isOther = (s: TimelineSet) => s.exerciseId === set.exerciseId && s.side !== set.side && s.setNo === set.setNo;
    const other = this.sets.find((s) => s.index !== set.index && isOther(s) && this.logged.includes(s.index));
    const behind = other ? this.changes.moreOf(other) - this.changes.moreOf(set) : 0;
    return this.mayAdd ? Math.max(0, behind) : 0;
  });
  /** What the pain told last does to the rest of the session. */
  readonly outcome = $derived.by(() => this.advice && afterPain(this.sets, this.#toldAt, this.advice, this.find));
  readonly isEased = $derived.by(() => this.#isEased(this.set));
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
  /** Sets that are still to come, the one that runs among them. */
  readonly setsLeft = $derived.by(() => this.sets.filter((s) => isAsked(s.work) && this.#isOpen(s)).length);
  readonly next: TimelineSet | null = $derived.by(() => {
    const waiting = this.changes.waiting.map((i) => this.sets[i]!).find((s) => this.#isOpen(s));
    return waiting ?? this.#following(this.setIndex);
  });
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
  #stepOf = ({ exerciseId, workSide = null }: ToldInSet): number =>
    this.#steps.findIndex((s) => s.exerciseId === exerciseId && (s.side ?? null) === workSide);

  #isEased = (set: TimelineSet): boolean => this.#eased.has(set.index) || this.changes.isEased(set);
  #workOf = (set: TimelineSet): WorkNow => this.changes.work(set, this.#isEased(set));

  /** What a set was done at: one step easier where a pain or a hand made it so. */
  settingOf = (set: TimelineSet): Setting => this.#workOf(set).setting;

  #phasesOf(set: TimelineSet, extraS: Record<number, number>): Phase[] {
    const readyS = set.workStartS - set.startS;
    const kind = set.newExercise || set.sideChange ? ('ready' as const) : ('rest' as const);
    const ready: Phase[] =
      readyS > 0 ? [{ kind, startS: 0, endS: readyS, fromPct: 0, toPct: 0, cue: { code: 'get ready' } }] : [];
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

  /** One more round, repetition or breath of this set; `more` where the other side did so many. */
  addMore(more = 1): void {
    // In the last settling the round comes before it: it begins from its start.
    if (this.phase.kind === 'settle' && this.phaseIndex === this.phases.length - 1) this.elapsedS = this.phase.startS;
    for (let i = 0; i < more && this.mayAdd; i++) this.changes.add(this.set);
    this.#keepPlace();
  }

  /** The easier version from here on; the set gets ready anew where it had begun. */
  ease(): void {
    this.changes.ease(this.set, this.sets);
    this.elapsedS = Math.min(this.elapsedS, this.readyS);
    this.#keepPlace();
  }

  /** The other side first; this one comes after it. */
  swapSides(): void {
    const other = this.otherSide;
    if (!other) return;
    this.changes.postpone(this.set);
    this.#begin(other);
  }

  /** Asks why a set is left out: the one that runs, or the one that is asked about. */
  askWhyLeftOut(): void {
    this.#wasAsking = this.mode === 'ask' || this.mode === 'notes';
    this.paused = true;
    this.mode = 'leave out';
  }

  leaveOut(leftOut: LeftOutReason): void {
    const said: Said = { clean: null, sensation: null, felt: null, slipped: null, leftOut };
    if (this.#wasAsking) {
      this.#say(said);
      return;
    }
    this.#log(this.set, this.#spentS, said);
    this.#goOn();
  }

  #endSet(): void {
    const { set } = this;
    if (!isAsked(set.work)) {
      this.#log(set, this.#spentS, { clean: null, sensation: null, felt: null, slipped: null });
      this.#goOn();
      return;
    }
    this.#unsaid = [...this.#unsaid, { setIndex: set.index, spentS: this.#spentS, ...this.#doneNow() }];
    const following = this.#following(set.index);
    const canWait =
      this.askAfter === 'the session' || (this.askAfter === 'each exercise' && following?.exerciseId === set.exerciseId);
    if (following && canWait) this.#goOn();
    else this.#ask();
  }

  /** How many repetitions are over, of a set that ends where they are no longer clean. */
  #doneNow(): Pick<Unsaid, 'done'> {
    const { form } = this.work;
    if (!this.endsByWord || form.kind !== 'reps') return {};
    const addedS = Object.values(this.#extraS).reduce((sum, s) => sum + s, 0);
    return { done: repsDone(form.spec, this.elapsedS - this.readyS - addedS) };
  }

  /** That was the last one that was clean: the set is over. */
  enough(): void {
    this.#endSet();
  }

  #ask(): void {
    this.mode = 'ask';
    this.#keepPlace();
  }

  clean(figures: SetFigures = {}): void {
    this.#say({ clean: true, sensation: null, felt: null, slipped: null, figures });
  }

  keepNotes(notes: Notes, figures: SetFigures = {}): void {
    this.#say({ clean: false, ...notes, figures });
  }

  /** The next set like the one that is asked about, where it has an easier step that is not taken yet. */
  readonly easierNext: TimelineSet | null = $derived.by(() => {
    const { index, exerciseId, side } = this.asked;
    const isLike = (s: TimelineSet) => s.index > index && s.exerciseId === exerciseId && s.side === side && this.#isOpen(s);
    const next = this.sets.find(isLike);
    return next?.work.easier && !this.#isEased(next) ? next : null;
  });

  /** Keeps what was said of a set that went over the cap, and takes what comes of it one step easier. */
  keepNotesAndEase(notes: Notes, figures: SetFigures = {}): void {
    if (this.easierNext) this.changes.ease(this.easierNext, this.sets);
    this.keepNotes(notes, figures);
  }

  /** What the set that is asked about counts, as it was done unless somebody says otherwise. */
  readonly askedCount = $derived.by(() => {
    const counted = countedIn(this.#workOf(this.asked).form);
    return counted && { ...counted, done: this.#unsaid[0]?.done ?? counted.planned };
  });

  /** The time of the set that is asked about, where it ended before four fifths of it: it counts as what it was. */
  readonly askedShort = $derived.by(() => {
    const spentS = Math.round(this.#unsaid[0]?.spentS ?? this.#spentS);
    const plannedS = this.#plannedS(this.asked, spentS);
    return spentS < progressRules.setTimeShare * plannedS ? { spentS, plannedS } : null;
  });

  /** What is said of the set that is asked about; then the next question, or on. */
  #say(said: Said): void {
    const [first, ...others] = this.#unsaid;
    if (first) this.#log(this.sets[first.setIndex]!, first.spentS, said);
    this.#unsaid = others;
    if (others.length > 0) this.#ask();
    else this.#goOn();
  }

  /** Seconds a set was to last: a hold until it eases as long as it took, from its least on. */
  readonly #plannedS = (set: TimelineSet, spentS: number): number => {
    const { form } = this.#workOf(set);
    const longestS = Math.round(compileForm(form, { effortCapPct: 100 }).at(-1)?.endS ?? 0);
    return isUntilEased(form) ? Math.min(longestS, Math.max(leastEasedS, Math.round(spentS))) : longestS;
  };

  #log(set: TimelineSet, spentS: number, said: Said): void {
    const work = this.#workOf(set);
    const log: SetLogInput = {
      id: newId(),
      setIndex: set.index,
      exerciseId: set.exerciseId,
      side: set.side,
      plannedS: this.#plannedS(set, spentS),
      actualS: Math.round(spentS),
      setting: work.setting,
      ...said,
      ...this.#figuresOf(set, said)
    };
    this.#outbox.put('sets', log);
    this.logged = [...this.logged, set.index];
    const value = said.figures?.reachedCm ?? said.figures?.reachedDeg;
    if (value !== undefined)
      this.readings = [...this.readings, { setIndex: set.index, exerciseId: set.exerciseId, side: set.side, value }];
    if (said.leftOut) this.leftOut = [...this.leftOut, set.index];
  }

  /** How many were done of how many; nothing of it where nobody counts, or where it is as planned and nothing else was said. */
  #figuresOf(set: TimelineSet, { figures = {}, leftOut }: Said): Pick<SetLogInput, 'figures'> {
    const of = countedIn(set.work.form)?.planned;
    const work = this.#workOf(set);
    const counted = this.#unsaid.find((u) => u.setIndex === set.index)?.done;
    const done = figures.done ?? counted ?? countedIn(work.form)?.planned;
    const allows = work.form.kind === 'reps' ? work.form.spec.allows : undefined;
    const howMany = of === undefined || leftOut || done === of ? {} : { done, of };
    const told = {
      ...figures,
      ...howMany,
      ...(allows !== undefined && { allows }),
      ...(set.work.variant !== undefined && !leftOut && { variant: set.work.variant }),
      ...(this.changes.isEased(set) && { easier: true })
    };
    return Object.keys(told).length > 0 ? { figures: told } : {};
  }

  #goOn(): void {
    const isOpen = (index: number) => this.#isOpen(this.sets[index]!);
    const waiting = this.#isEnding ? null : this.changes.takePostponed(isOpen);
    const following = waiting !== null ? this.sets[waiting]! : this.#isEnding ? null : this.#following(this.setIndex);
    if (!following) {
      if (this.#unsaid.length > 0) this.#ask();
      else this.#end('done');
      return;
    }
    this.#begin(following);
  }

  #begin(set: TimelineSet): void {
    this.setIndex = set.index;
    this.elapsedS = 0;
    this.#spentS = 0;
    this.#extraS = {};
    this.mode = 'play';
    this.paused = false;
    this.#keepPlace();
  }

  askPain(): void {
    if (this.mode === 'ended') return;
    // Told while it is asked why a set is left out, it is of that set.
    if (this.mode !== 'leave out') this.#wasAsking = this.mode === 'ask' || this.mode === 'notes';
    this.paused = true;
    this.mode = 'pain';
  }

  /** Back from the pain picker, or from leaving out, without having told anything. */
  goBack(): void {
    this.mode = this.#wasAsking ? 'ask' : 'play';
  }

  tellPain(event: PainEvent): void {
    const set = this.#wasAsking ? this.asked : this.set;
    const at = this.#wasAsking ? set : this.shown;
    this.#toldAt = set.index;
    const told: PainInput = {
      id: newId(),
      setIndex: set.index,
      exerciseId: at.exerciseId,
      workSide: at.side,
      ...event
    };
    this.#outbox.put('pain', told);
    this.#pains = [...this.#pains, told];
    this.#keepPlace();
    this.advice = event;
    if (endsSession(event)) this.#end('stopped');
    else this.mode = 'advice';
  }

  /** How strong the pain told last is: what is left follows from it, and a severe one ends the session. */
  gradePain(grade: PainGrade): void {
    const told = this.#pains.at(-1);
    if (!told || !this.advice || this.advice.grade) return;
    const graded = { ...told, grade };
    this.#outbox.put('pain', graded);
    this.#pains = [...this.#pains.slice(0, -1), graded];
    this.advice = { ...this.advice, grade };
    this.#keepPlace();
    if (endsSession(this.advice)) this.#end('stopped');
  }

  /** On after the advice: the same set where the pain was none, else the next one. */
  afterAdvice(): void {
    const { outcome } = this;
    this.advice = null;
    if (!outcome?.endsSet) {
      this.goBack();
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
      unsaid: this.#unsaid,
      changed: this.changes.toKeep(),
      logged: this.logged,
      leftOut: this.leftOut,
      pains: this.#pains,
      readings: this.readings
    };
    this.isPlaceKept = store(this.#placeKey, place);
  }

  #restore(): void {
    const kept = stored(this.#placeKey) as Place | null;
    this.changes.restore(kept?.changed);
    const at = typeof kept?.elapsedS === 'number' ? this.sets[kept.setIndex] : undefined;
    if (at && Array.isArray(kept?.unsaid))
      this.#unsaid = kept.unsaid.filter((u) => this.sets[u.setIndex] && !this.logged.includes(u.setIndex));
    // A pain that ended this set was told, and the page went before anybody went on: what was done of it stands, the rest is not done.
    const hasHurt = this.#pains.some((p, i) => p.setIndex === at?.index && this.#outcomes[i]!.endsSet);
    if (kept && at && hasHurt && !kept.asking && isAsked(at.work) && this.#isOpen(at)) {
      if (kept.spentS > 0) this.#log(at, kept.spentS, unsaidButHurt);
      else this.logged = [...this.logged, at.index];
    }
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

/** A list as it was kept; none where there is none. */
const listed = <T>(kept: readonly T[] | undefined): readonly T[] => (Array.isArray(kept) ? kept : []);

/** No stretch has eased sooner (assumption). */
const leastEasedS = 10;
const isUntilEased = (form: Form): boolean => form.kind === 'hold' && form.spec.goesBy === 'until eased';

/** Of a set that hurt, or of which nobody said how it was. */
const unsaidButHurt: Said = { clean: false, sensation: null, felt: null, slipped: null };

/** "Left groin", "Nowhere in one place". */
export function placeText({ place, side }: Pick<PainEvent, 'place' | 'side'>): string {
  const { label } = painPlaceOf(place);
  return side ? `${side === 'left' ? 'Left' : 'Right'} ${label.toLowerCase()}` : label;
}

/** What was told, in a line. */
export const toldText = (event: PainEvent): string =>
  event.place === 'nowhere' ? painKindOf(event.kind).label : `${placeText(event)}: ${painKindOf(event.kind).label.toLowerCase()}`;

/** What a pain asks for, in the words of its kind. */
export const adviceText = (event: PainEvent): string => painKindOf(event.kind).advice;
