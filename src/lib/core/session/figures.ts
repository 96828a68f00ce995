import type { CycleSpec } from '../cycle/compileCycle';
import type { DialId, Setting } from '../exercise/dial';
import type { Dose, Exercise } from '../exercise/exercise';
import { ourFigure } from '../exercise/startDose';
import type { Gated } from '../safety/gate';
import type { Level } from '../level';
import type { School } from '../school/school';
import { lowOf, type Span } from '../span';
import type { Form } from './block';
import type { ActiveReach, LiftShape } from './shapedLifts';

export type FormAsk = Readonly<{
  exercise: Exercise;
  /** Inside what the gate allows. */
  setting: Setting;
  school: School;
  level: Level;
  /** One round more than the school's least: in the weeks in which range is opened. */
  moreRounds: boolean;
  gated: Pick<Gated, 'caps' | 'longestHoldS' | 'noHarder'>;
  /** Effort at most, of the person and of the day. */
  capPct: number;
  /** Length of one breath of this person. */
  breathS: number;
  /** The cycle that was shaped by hand for this side; the school's way where there is none. */
  cycle?: CycleSpec | null;
  /** The lifts that were shaped by hand for this side; the school's way where there are none. */
  lifts?: LiftShape | null;
  /** How far the person moves it by their own strength, where it was measured. */
  active?: ActiveReach | null;
}>;

/** A form, and how many sets of it the school makes. */
export type Made = Readonly<{ form: Form; sets?: number }>;

/** Takes figures in one order for every form, and notes which dials they came from. */
export class Figures {
  readonly used: DialId[] = [];
  readonly dose: Dose | undefined;

  constructor(readonly ask: FormAsk) {
    this.dose = ask.exercise.doses.find((d) => d.school === ask.school.id);
  }

  has = (id: DialId): boolean => this.ask.exercise.dials.some((d) => d.id === id);

  /** `usual` is the school's figure, or null where it has none: then ours. */
  of(id: DialId & keyof Dose, usual: number | null): number {
    if (this.has(id)) {
      this.used.push(id);
      const set = this.ask.setting[id];
      if (set !== undefined) return set;
    }
    const own = this.dose?.[id] as Span | undefined;
    return own === undefined ? (usual ?? ourFigure(this.ask.exercise, id, this.ask.level)) : lowOf(own);
  }

  /** What the dial was set to, where there is one; else as it was shaped by hand. */
  shaped(id: DialId, own: number): number {
    if (!this.has(id)) return own;
    this.used.push(id);
    return this.ask.setting[id] ?? own;
  }

  /** Where the exercise has no such dial, its own figure for this school or the school's, without asking. */
  untold(id: DialId & keyof Dose, usual: number): number {
    return this.has(id) ? this.of(id, usual) : lowOf((this.dose?.[id] as Span | undefined) ?? usual);
  }
}
