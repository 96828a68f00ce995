import { compute } from '$lib/contract/door';
import { fromCm, type BodyState, type LengthUnit } from '$lib/contract/fields';
import { parseTrial, photoField, sidesOf, trialField, trialsPerSide, type ParsedTrial } from '$lib/contract/measureForms';
import type { Result } from '$lib/contract/problem';
import type { Taken } from '$lib/contract/taken';
import {
  activeGap,
  crossCheckWays,
  foldOf,
  isSignedDepth,
  looksSwapped,
  changeSoFar,
  measureResult,
  weekOf,
  splitOpening,
  otherSide,
  pastEntry,
  sideDifference,
  wayOf,
  type ActiveGap,
  type BodyLengths,
  type ChangeSoFar,
  type CrossCheck,
  type Entries,
  type Measure,
  type MeasureMode,
  type MeasureResult,
  type Occasion,
  type OwnRecord,
  type Propagated,
  type Side,
  type SideDifference,
  type Uncertain,
  type WayId
} from '$lib/core';

export type Before = Occasion & Readonly<{ takenOn: string; sd: number | null }>;
type Earlier = Pick<Taken, 'takenOn' | 'value' | 'sd' | 'measurer' | 'dayTime'>;
type Alike = Readonly<{ side: Side | null; mode: MeasureMode; way: WayId; support: string; state: BodyState }>;

type Source = () => Readonly<{
  measure: Measure;
  unit: LengthUnit;
  lengths: readonly { side: Side | null; lengths: BodyLengths }[];
  own: readonly { way: WayId; record: OwnRecord }[];
  stackStepCm: number;
  today: string;
  /** All that were taken alike, the oldest first. */
  earlier: (alike: Alike) => readonly Earlier[];
  /** The last one taken alike. */
  before: (alike: Alike) => Before | null;
  /** What was read today in another state, taken alike: the start of the visit against its end. */
  earlierToday: (alike: Alike) => Readonly<{ value: number; state: BodyState }> | null;
  /** The last one of the same side, mode and state that was taken another way or on another support. */
  otherwise: (alike: Alike) => string | null;
  /** What was written today another way. */
  otherWays: (side: Side | null, mode: MeasureMode, way: WayId) => readonly { way: WayId; trials: Entries[] }[];
}>;

/** A place for one number: a side, held or reached, and which trial. */
export type Slot = Readonly<{ side: Side | null; mode: MeasureMode; n: number }>;

/** A single look tells a level, a time or a count. */
const usualTrials = ({ unit }: Measure): number => (unit === 'cm' || unit === '°' ? 2 : 1);
const key = (side: Side | null, mode: MeasureMode) => `${side ?? 'both'}/${mode}`;

/** What is typed of one measure, and what it says at once. */
export class MeasureState {
  #source: Source;
  bodyState = $state<BodyState>('cold');
  way = $state<WayId>('tape');
  support = $state('');
  typed = $state<Record<string, string>>({});
  shown = $state<Record<string, number>>({});
  /** Where the limb was seen past the value at which the way folds back. */
  #past = $state<Record<string, boolean>>({});
  /** Pictures that numbers were read from, by the field that names them. */
  photos = $state<Record<string, string>>({});

  constructor(
    source: Source,
    known: { bodyState: BodyState; way: WayId; support: string },
    typed: Readonly<Record<string, string | string[]>> = {}
  ) {
    this.#source = source;
    const { measure } = source();
    this.bodyState = known.bodyState;
    this.way = known.way;
    this.support = known.support;
    for (const side of sidesOf(measure))
      for (const mode of measure.modes) {
        let last = usualTrials(measure);
        for (let n = 1; n <= trialsPerSide; n++)
          for (const way of measure.ways)
            for (const { id } of wayOf(way).fields) {
              const value = typed[trialField(side, mode, n, id)];
              if (typeof value !== 'string') continue;
              this.typed[trialField(side, mode, n, id)] = value;
              if (value) last = Math.max(last, n);
            }
        this.shown[key(side, mode)] = last;
        this.#past[key(side, mode)] = typed[trialField(side, mode, 1, pastEntry)] === 'on';
        for (let n = 1; n <= trialsPerSide; n++) {
          const photo = typed[photoField(side, mode, n)];
          if (typeof photo === 'string' && photo) this.photos[photoField(side, mode, n)] = photo;
        }
      }
  }

  /** The value past which the limb may lie without the numbers telling; null where that cannot be. */
  foldDeg = (side: Side | null, mode: MeasureMode): number | null => {
    const isTold = this.trialNumbers(side, mode).some((n) => this.typed[trialField(side, mode, n, 'runCm')]);
    return isTold ? null : foldOf(this.#source().measure, this.way);
  };
  isPast = (side: Side | null, mode: MeasureMode): boolean => this.#past[key(side, mode)] ?? false;
  setPast(side: Side | null, mode: MeasureMode, isPast: boolean): void {
    this.#past[key(side, mode)] = isPast;
  }

  trialNumbers = (side: Side | null, mode: MeasureMode): number[] =>
    Array.from({ length: this.shown[key(side, mode)] ?? 1 }, (_, i) => i + 1);
  canAdd = (side: Side | null, mode: MeasureMode): boolean =>
    usualTrials(this.#source().measure) > 1 && (this.shown[key(side, mode)] ?? 0) < trialsPerSide;
  addTrial(side: Side | null, mode: MeasureMode): void {
    this.shown[key(side, mode)] = Math.min(trialsPerSide, (this.shown[key(side, mode)] ?? 1) + 1);
  }

  /** What an instrument or a photo fills, in the order it is taken: passive first, side by side. */
  slots(places: readonly (Side | null)[]): Slot[] {
    return this.#source().measure.modes.flatMap((mode) =>
      places.flatMap((side) => this.trialNumbers(side, mode).map((n) => ({ side, mode, n })))
    );
  }

  /** The first slot that is open; past the last where none is. */
  firstOpen(slots: readonly Slot[]): number {
    const open = slots.findIndex((s) => this.slotText(s) === '');
    return open < 0 ? slots.length : open;
  }

  /** The one field that an instrument or a photo fills in this way. */
  #slotField = ({ side, mode, n }: Slot): string => trialField(side, mode, n, wayOf(this.way).fields[0]!.id);
  slotText = (slot: Slot): string => this.typed[this.#slotField(slot)] ?? '';

  /** Puts a value, in the unit of the measure, where it belongs, with the picture it was read from. */
  fill(slot: Slot, value: number, digits: 0 | 1, photoId?: string): void {
    const { measure, unit } = this.#source();
    const shown = measure.unit === 'cm' ? fromCm(value, unit) : value;
    this.typed[this.#slotField(slot)] = String(Math.round(shown * 10 ** digits) / 10 ** digits);
    this.photos[photoField(slot.side, slot.mode, slot.n)] = photoId ?? '';
  }

  #lengths = (side: Side | null): BodyLengths => this.#source().lengths.find((l) => l.side === side)!.lengths;

  parsed(side: Side | null, mode: MeasureMode, n: number): ParsedTrial {
    const { measure, unit } = this.#source();
    const isPast = this.#past[key(side, mode)];
    const typed = (f: string) => (f === pastEntry ? isPast && 'on' : this.typed[trialField(side, mode, n, f)]);
    return parseTrial(typed, measure, this.way, unit, this.#lengths(side), this.#lengths(side && otherSide(side)));
  }

  #entries = (side: Side | null, mode: MeasureMode): Entries[] =>
    this.trialNumbers(side, mode).flatMap((n) => {
      const parsed = this.parsed(side, mode, n);
      return parsed.state === 'read' ? [parsed.entries] : [];
    });

  /** What is wrong with numbers that are whole already: told while typing only where no body goes. */
  impossible(side: Side | null, mode: MeasureMode): string[] {
    return this.trialNumbers(side, mode).flatMap((n) => {
      const parsed = this.parsed(side, mode, n);
      return parsed.state === 'wrong' ? Object.values(parsed.messages) : [];
    });
  }

  #alike = (side: Side | null, mode: MeasureMode): Alike => ({
    side,
    mode,
    way: this.way,
    support: this.support.trim(),
    state: this.bodyState
  });

  earlierToday = (side: Side | null, mode: MeasureMode) => this.#source().earlierToday(this.#alike(side, mode));
  otherwise = (side: Side | null, mode: MeasureMode): string | null => this.#source().otherwise(this.#alike(side, mode));
  before = (side: Side | null, mode: MeasureMode): Before | null => this.#source().before(this.#alike(side, mode));

  #own = (): OwnRecord | undefined => this.#source().own.find((o) => o.way === this.way)?.record;

  /** What is typed so far comes to; null while nothing readable is. */
  result(side: Side | null, mode: MeasureMode): Result<MeasureResult> | null {
    const { measure, stackStepCm } = this.#source();
    const trials = this.#entries(side, mode);
    if (trials.length === 0) return null;
    return compute(() =>
      measureResult({
        measure,
        way: this.way,
        trials,
        lengths: this.#lengths(side),
        before: null,
        own: this.#own(),
        stackStepCm
      })
    );
  }

  /** What is typed and all that was taken alike say of the change so far; `others` are known once it is kept. */
  change(side: Side | null, mode: MeasureMode): (ChangeSoFar & Readonly<{ sinceOn: string }>) | null {
    const now = this.#compared(side, mode);
    const { measure, today, earlier } = this.#source();
    if (!now) return null;
    const known = earlier(this.#alike(side, mode)).flatMap((e) => (e.sd === null ? [] : [{ ...e, sd: e.sd }]));
    const all = [...known, { takenOn: today, ...now, measurer: '', dayTime: '' }];
    const change = changeSoFar(
      all.map((e) => ({ ...e, week: weekOf(e.takenOn) })),
      measure.betterIs
    );
    return change && { ...change, sinceOn: all[all.length - change.measures]!.takenOn };
  }

  /** The opening of a split at this depth; null for what is no split. */
  opening(side: Side | null, mode: MeasureMode): Propagated | null {
    const now = this.result(side, mode);
    if (!now?.ok || now.value.sd === null || !isSignedDepth(this.#source().measure)) return null;
    const { value, sd } = now.value;
    const [lead, trail] = [this.#lengths(side), this.#lengths(side === null ? null : otherSide(side))];
    const result = compute(() => splitOpening({ value, sd }, lead.legCm, trail.legCm));
    return result.ok ? result.value : null;
  }

  /** What is typed, for a comparison on the same body; null while nothing is, or no error is known. */
  #compared(side: Side | null, mode: MeasureMode): Uncertain | null {
    const now = this.result(side, mode);
    return now?.ok && now.value.sd !== null ? { value: now.value.value, sd: now.value.sd } : null;
  }

  sideDifference(mode: MeasureMode): SideDifference | null {
    const [left, right] = [this.#compared('left', mode), this.#compared('right', mode)];
    return left && right && sideDifference(this.#source().measure.betterIs, left, right);
  }

  activeGap(side: Side | null): ActiveGap | null {
    const [active, passive] = [this.#compared(side, 'active'), this.#compared(side, 'passive')];
    return active && passive && activeGap(this.#source().measure.betterIs, active, passive);
  }

  looksSwapped(mode: MeasureMode): boolean {
    const [left, right] = [this.result('left', mode), this.result('right', mode)];
    const [wasLeft, wasRight] = [this.before('left', mode), this.before('right', mode)];
    if (!left?.ok || !right?.ok || !wasLeft || !wasRight || left.value.sd === null) return false;
    return looksSwapped(
      { left: left.value.value, right: right.value.value },
      { left: wasLeft.value, right: wasRight.value },
      left.value.sd
    );
  }

  /** Puts what was typed for one side to the other. */
  swapSides(mode: MeasureMode): void {
    for (let n = 1; n <= trialsPerSide; n++)
      for (const { id } of wayOf(this.way).fields) {
        const [left, right] = [trialField('left', mode, n, id), trialField('right', mode, n, id)];
        [this.typed[left], this.typed[right]] = [this.typed[right] ?? '', this.typed[left] ?? ''];
      }
    const [left, right] = [key('left', mode), key('right', mode)];
    [this.shown[left], this.shown[right]] = [this.shown[right]!, this.shown[left]!];
    [this.#past[left], this.#past[right]] = [this.#past[right]!, this.#past[left]!];
  }

  /** What is typed now against what was written today another way. */
  crossChecks(side: Side | null, mode: MeasureMode): { way: WayId; check: CrossCheck }[] {
    const { measure, otherWays } = this.#source();
    const trials = this.#entries(side, mode);
    if (trials.length === 0) return [];
    return otherWays(side, mode, this.way).flatMap((other) => {
      const result = compute(() => crossCheckWays(measure, { way: this.way, trials }, other, this.#lengths(side)));
      return result.ok && result.value ? [{ way: other.way, check: result.value }] : [];
    });
  }
}
