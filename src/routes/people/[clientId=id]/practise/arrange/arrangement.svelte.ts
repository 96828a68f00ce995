import { compute } from '$lib/contract/door';
import {
  arrangedSession,
  isWorked,
  sessionTemplates,
  timelineOf,
  usualArrangement,
  warningsOf,
  type Arrangement,
  type ArrangementWarning,
  type Block,
  type CutKind,
  type LinkId,
  type Side,
  type Training,
  type Work
} from '$lib/core';

/** A place in the list: the same exercise may stand in two of them. */
export type Place = { id: number; exerciseId: string; sets?: number; side?: Side; joins?: true; grows?: true; eased?: true };

type Start = Readonly<{
  blocks: readonly Block[];
  /** What of them the plan does on other days of the week. */
  elsewhere?: ReadonlySet<string>;
  arranged: Arrangement | null;
  minutes: number;
  effortCapPct: number;
  hardYesterday: readonly LinkId[];
  /** What the plan says stands beside it. */
  training?: Training;
}>;

/** A session while it is arranged: what it comes to is worked out anew with every change. */
export class ArrangementState {
  #start = $state.raw<Start>()!;
  #nextId = 0;
  places = $state<Place[]>([]);
  #rest = $state<Omit<Arrangement, 'parts'>>()!;

  constructor(start: Start) {
    this.#start = start;
    this.#take(this.#began());
  }

  #began(): Arrangement {
    const { arranged, training = 'alone' } = this.#start;
    return arranged ?? { ...this.#usual(), training };
  }
  #usual = (): Arrangement => usualArrangement(this.#ofToday, this.#start.minutes);
  get #ofToday(): readonly Block[] {
    return this.#start.blocks.filter((b) => !this.isElsewhere(b.exerciseId));
  }

  readonly value: Arrangement = $derived.by(() => ({
    ...this.#rest,
    parts: this.places.map(({ exerciseId, sets, side, joins, grows, eased }, i) => ({
      exerciseId,
      ...(sets !== undefined && { sets }),
      ...(side && { side }),
      ...(joins && i > 0 && { joins }),
      ...(grows && { grows }),
      ...(eased && { eased })
    }))
  }));
  /** What the plan does on other days is in it only where it was put in. */
  readonly #blocks = $derived.by(() =>
    this.#start.blocks.filter((b) => !this.isElsewhere(b.exerciseId) || this.places.some((p) => p.exerciseId === b.exerciseId))
  );
  readonly made = $derived.by(() => compute(() => arrangedSession(this.#blocks, this.value, this.#start.effortCapPct)));
  readonly timeline = $derived.by(() => (this.made.ok ? timelineOf(this.made.value) : null));
  /** As arranged, before anything is cut: what the warnings are about. */
  readonly #uncut = $derived.by(() =>
    compute(() => arrangedSession(this.#blocks, { ...this.value, fits: false }, this.#start.effortCapPct))
  );
  readonly uncutS = $derived.by(() => (this.#uncut.ok ? this.#uncut.value.durationS : 0));
  readonly warnings = $derived.by(() =>
    this.#uncut.ok ? warningsOf(this.#uncut.value.blocks, this.#blocks, this.#start.hardYesterday, this.#rest.training) : []
  );
  /** Exercises of the week that are not in it. */
  readonly left = $derived.by(() =>
    this.#start.blocks.filter((b) => isWorked(b) && !this.places.some((p) => p.exerciseId === b.exerciseId))
  );

  /** An arrangement in place of this one: what it leaves out is out, and what came into the week since stands at its end. */
  #take({ parts, ...rest }: Arrangement): void {
    const known = new Set([...parts.map((p) => p.exerciseId), ...rest.out]);
    const since = this.#ofToday.filter((b) => isWorked(b) && !known.has(b.exerciseId));
    this.places = [...parts.filter((p) => this.blockOf(p.exerciseId)), ...since.map(({ exerciseId }) => ({ exerciseId }))].map(
      (part) => ({ ...part, id: this.#nextId++ })
    );
    this.#rest = rest;
  }

  /** The week as it is by now: what came into it stands at the end, what left it is gone, the rest stays as it was arranged. */
  follow(blocks: readonly Block[]): void {
    this.#start = { ...this.#start, blocks };
    this.#take(this.value);
  }

  /** Whether the plan does it on other days of the week, so that nobody took it out. */
  isElsewhere = (exerciseId: string): boolean => this.#start.elsewhere?.has(exerciseId) ?? false;

  blockOf = (exerciseId: string): Block | undefined => this.#start.blocks.find((b) => b.exerciseId === exerciseId);

  /** What of its exercise a place does: of one side alone that side's. */
  workAt({ exerciseId, side }: Pick<Place, 'exerciseId' | 'side'>): readonly Work[] {
    return this.blockOf(exerciseId)?.work.filter((w) => !side || w.side === null || w.side === side) ?? [];
  }

  /** What a place comes to with the day and the cuts, and its seconds; null where nothing of it is left. */
  givenAt(index: number): Readonly<{ block: Block; seconds: number }> | null {
    if (!this.made.ok || !this.timeline) return null;
    const at = this.#blockIndexes[index];
    if (at === undefined || at === null) return null;
    const seconds = this.timeline.sets.filter((s) => s.blockIndex === at).reduce((sum, s) => sum + s.endS - s.startS, 0);
    return { block: this.made.value.blocks[at]!, seconds };
  }
  /** Which block each place has become: of two visits the first has the first block of its exercise. */
  readonly #blockIndexes = $derived.by((): (number | null)[] => {
    const taken = new Set<number>();
    const blocks = this.made.ok ? this.made.value.blocks : [];
    return this.places.map((place) => {
      if (this.workAt(place).length === 0) return null;
      const at = blocks.findIndex((b, i) => b.exerciseId === place.exerciseId && !taken.has(i));
      if (at < 0) return null;
      taken.add(at);
      return at;
    });
  });

  set(more: Partial<Omit<Arrangement, 'parts' | 'out'>>): void {
    this.#rest = { ...this.#rest, ...more };
  }

  /** An order in place of this one; without one the session is again as it stood when the page was opened. */
  useTemplate(id: string): void {
    const template = sessionTemplates.find((t) => t.id === id);
    const { training } = this.#rest;
    this.#take(template ? { ...template.of(this.#usual(), this.#ofToday), training } : this.#began());
  }

  move(index: number, by: 1 | -1): void {
    const to = index + by;
    if (to < 0 || to >= this.places.length) return;
    const moved = [...this.places];
    moved.splice(to, 0, ...moved.splice(index, 1));
    this.places = moved;
  }

  takeOut(index: number): void {
    const place = this.places[index]!;
    this.places = this.places.toSpliced(index, 1);
    if (!this.places.some((p) => p.exerciseId === place.exerciseId) && !this.isElsewhere(place.exerciseId))
      this.#rest = { ...this.#rest, out: [...this.#rest.out, place.exerciseId] };
  }

  putBack(exerciseId: string, at = this.places.length, more: Pick<Place, 'side' | 'sets'> = {}): void {
    this.places = this.places.toSpliced(at, 0, { id: this.#nextId++, exerciseId, ...more });
    this.#rest = { ...this.#rest, out: this.#rest.out.filter((id) => id !== exerciseId) };
  }

  setsOf = ({ exerciseId, sets }: Place): number => sets ?? this.blockOf(exerciseId)?.baseSets ?? 1;
  changeSets(index: number, by: 1 | -1): void {
    const place = this.places[index]!;
    const sets = Math.min(20, Math.max(1, this.setsOf(place) + by));
    this.places = this.places.with(index, { ...place, sets });
  }

  /** Whether it is counted in breaths and done more than once: then it may get longer with each set. */
  mayGrow = (place: Place): boolean =>
    this.setsOf(place) > 1 && (this.blockOf(place.exerciseId)?.work.some((w) => w.form.kind === 'breaths') ?? false);
  toggleGrowth(index: number): void {
    const { grows, ...place } = this.places[index]!;
    this.places = this.places.with(index, grows ? place : { ...place, grows: true });
  }

  /** Whether there is an easier step, for a first visit before the deeper one. */
  mayEase = (place: Place): boolean => this.workAt(place).some((w) => w.easier !== undefined);
  toggleEase(index: number): void {
    const { eased, ...place } = this.places[index]!;
    this.places = this.places.with(index, eased ? place : { ...place, eased: true });
  }

  /** In turn with the exercise before it, without rest, or by itself again. */
  toggleTurn(index: number): void {
    const { joins, ...place } = this.places[index]!;
    this.places = this.places.with(index, joins ? place : { ...place, joins: true });
  }

  /** Whether it is done side by side: then a place may be of one side alone. */
  hasSides = ({ exerciseId }: Place): boolean => new Set(this.blockOf(exerciseId)?.work.map((w) => w.side)).size > 1;
  setSide(index: number, side: Side | undefined): void {
    const { side: _, ...place } = this.places[index]!;
    this.places = this.places.with(index, side ? { ...place, side } : place);
  }

  moveCut(kind: CutKind, by: 1 | -1): void {
    const order = [...this.#rest.cutOrder];
    const at = order.indexOf(kind);
    const to = at + by;
    if (to < 0 || to >= order.length) return;
    order.splice(to, 0, ...order.splice(at, 1));
    this.set({ cutOrder: order });
  }

  /** Carries out what a warning offers. */
  mend(warning: ArrangementWarning): void {
    if (warning.code === 'work after training') {
      this.set({ work: 'stretch only' });
      return;
    }
    if (warning.code === 'long before training') {
      for (let at = this.places.length - 1; at >= 0; at--)
        if (warning.all.includes(this.places[at]!.exerciseId)) this.takeOut(at);
      return;
    }
    if (warning.code === 'second side less') {
      const { exerciseId, side, sets } = warning;
      this.putBack(exerciseId, this.places.findLastIndex((p) => p.exerciseId === exerciseId) + 1, { side, sets });
      return;
    }
    const at = this.places.findIndex((p) => p.exerciseId === warning.exerciseId);
    if (warning.code === 'hard again') {
      this.takeOut(at);
      return;
    }
    if (warning.code === 'out of order') {
      const [place] = this.places.slice(at, at + 1);
      const rest = this.places.toSpliced(at, 1);
      const after = rest.findLastIndex((p) => p.exerciseId === warning.after);
      if (place) this.places = rest.toSpliced(after + 1, 0, place);
      return;
    }
    // The active work, or the position, after everything that opens.
    const side = (warning.code === 'opened, not owned' && warning.side) || undefined;
    if (at >= 0 && !side) this.places = this.places.toSpliced(at, 1);
    const lastOpen = this.places.findLastIndex((p) => this.blockOf(p.exerciseId)?.part === 'open');
    this.putBack(warning.exerciseId, lastOpen + 1, side && { side });
  }
}
