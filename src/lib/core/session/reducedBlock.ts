import { totals } from '../cycle/totals';
import type { PhaseKind } from '../cycle/phase';
import { compileForm, isAsked, workOfSet, type Block, type Form, type Work } from './block';

/** As near to the share that is wished as makes no difference. */
const nearEnough = 0.05;
/** Nothing of a set is cut to less than half of it: rather one set less (assumption). */
const leastOfSet = 0.5;
/** Longer holds are counted in fives, as they are set. */
const fiveFromS = 20;

/** Phases in which nothing is asked of the body. */
const resting: ReadonlySet<PhaseKind> = new Set(['ready', 'rest']);

/**
 * A block with less of it: fewer sets, rounds or repetitions, else shorter holds.
 *
 * Model:  the share is one of seconds of work. Every number of sets with every smaller form is tried for each side; of those within five points
 *         of the share the one that changes the fewest things is taken, else the nearest. What is asked for at once, the effort and the
 *         stack, stays; no side gets more sets than the other. The easier version in reserve is cut alike, in as many sets.
 * Units:  `share` of 1.
 */
export function reducedBlock(block: Block, share: number): Block {
  if (share >= 1) return block;
  const work = block.work.map((w) => (isAsked(w) ? reducedWork(block, w, share) : w));
  return { ...block, baseSets: Math.min(block.baseSets, Math.max(...work.map((w) => w.sets))), work };
}

function reducedWork(block: Block, work: Work, share: number): Work {
  const most = Math.min(work.sets, block.baseSets);
  const reduced = nearest(block, work, { share, sets: Array.from({ length: most }, (_, less) => most - less) });
  if (!work.easier) return reduced;
  const easier = nearest(block, { ...work, form: work.easier.form }, { share, sets: [reduced.sets] });
  return { ...reduced, easier: { ...work.easier, form: easier.form } };
}

type Wished = Readonly<{ share: number; sets: readonly number[] }>;

/** Of all that is smaller, in one of so many sets, what comes nearest to a share with the fewest changes. */
function nearest(block: Block, work: Work, { share, sets }: Wished): Work {
  const usualS = workSeconds(block, work);
  const options = smallerForms(work.form).flatMap(({ form, changes }) =>
    sets.map((n) => {
      const option: Work = { ...work, form, sets: n };
      const off = Math.abs(workSeconds(block, option) / usualS - share);
      return { option, off: off <= nearEnough + 1e-9 ? 0 : off, changes: changes + (n < work.sets ? 1 : 0), exact: off };
    })
  );
  return options.toSorted((a, b) => a.off - b.off || a.changes - b.changes || a.exact - b.exact)[0]!.option;
}

/** Seconds of a work in all its sets that are not rest. */
export function workSeconds(block: Pick<Block, 'grows'>, work: Work): number {
  const phases = Array.from({ length: work.sets }, (_, i) =>
    compileForm(workOfSet(block, work, i + 1).form, { effortCapPct: 100 })
  ).flat();
  return totals(phases.filter((p) => !resting.has(p.kind))).durationS;
}

type Smaller = Readonly<{ form: Form; changes: number }>;

/** A form, and every smaller one it can become, with how many things that changes. */
function smallerForms(form: Form): Smaller[] {
  const counted = [{ form, changes: 0 }, ...fewer(form).map((f) => ({ form: f, changes: 1 }))];
  return [...counted, ...counted.flatMap(({ form: f, changes }) => shorter(f).map((s) => ({ form: s, changes: changes + 1 })))];
}

/** Every smaller count from one less to half. */
const lower = (count: number): number[] => {
  const least = Math.max(1, Math.ceil(count * leastOfSet));
  return Array.from({ length: Math.max(0, count - least) }, (_, i) => count - 1 - i);
};

function fewer(form: Form): Form[] {
  switch (form.kind) {
    case 'cycle':
      return lower(form.spec.rounds).map((rounds) => ({
        ...form,
        spec: { ...form.spec, rounds, ...(form.spec.mostRounds && { mostRounds: Math.min(form.spec.mostRounds, rounds) }) }
      }));
    case 'reps':
      return lower(form.spec.reps).map((reps) => ({
        ...form,
        spec: { ...form.spec, reps, ...(form.spec.leastReps && { leastReps: Math.min(form.spec.leastReps, reps) }) }
      }));
    case 'breaths':
      return [
        ...lower(form.spec.passes ?? 1).map((passes): Form => ({ ...form, spec: { ...form.spec, passes } })),
        ...lower(form.spec.breaths).map((breaths): Form => ({ ...form, spec: { ...form.spec, breaths } }))
      ];
    case 'pulses':
      return [
        ...lower(form.spec.sets).map((sets): Form => ({ ...form, spec: { ...form.spec, sets } })),
        ...lower(form.spec.pulses).map((pulses): Form => ({ ...form, spec: { ...form.spec, pulses } }))
      ];
    default:
      return [];
  }
}

function shorter(form: Form): Form[] {
  switch (form.kind) {
    case 'cycle': {
      const { holdS, finalSettleS, hold } = form.spec;
      return scales.map((scale) => ({
        ...form,
        spec: { ...form.spec, holdS: scaled(holdS, scale, hold?.beatS), finalSettleS: scaled(finalSettleS, scale) }
      }));
    }
    case 'hold':
      return scales.map((scale) => ({ ...form, spec: { ...form.spec, holdS: scaled(form.spec.holdS, scale, form.spec.beatS) } }));
    case 'reps':
    case 'pulses':
      return form.spec.holdS > 1
        ? scales.map((scale) => ({ ...form, spec: { ...form.spec, holdS: scaled(form.spec.holdS, scale) } }) as Form)
        : [];
    default:
      return [];
  }
}

const scales = [0.9, 0.8, 0.7, 0.65, 0.6, 0.5] as const;
/** Cut to whole beats, where it is counted in breaths or counts, or to seconds. */
function scaled(seconds: number, scale: number, beatS?: number): number {
  const stepS = beatS ?? (seconds >= fiveFromS ? 5 : 1);
  return seconds <= stepS ? seconds : Math.max(stepS, Math.round((seconds * scale) / stepS) * stepS);
}
