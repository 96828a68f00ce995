import { CoreFault } from '../errors';
import { openingFromDepthDeg } from '../geometry/openingFromDepth';
import type { Uncertain } from '../geometry/propagate';
import { isSplit, type Basis, type Demand, type Goal } from '../goal/goal';
import { z95 } from '../measure/mdc';
import { splitOpening } from '../measure/splitOpening';
import type { ActiveGap } from '../measure/sideDifference';
import { otherSide, sides, type Side } from '../body/side';

/** What is known of one link: what is reached, what is held, and how far the one trails the other where both were taken alike. */
export type LinkValue = Readonly<{ passive: Uncertain | null; active: Uncertain | null; activeGap: ActiveGap | null }>;

export const linkKey = (measure: string, side: Side | null): string => `${measure}/${side ?? 'both'}`;

export type Link = Readonly<{
  key: string;
  measure: Demand['measure'];
  side: Side | null;
  passive: Uncertain | null;
  active: Uncertain | null;
  needDeg: number;
  basis: Basis;
  /** Passive less need: below zero it is missing. Null while it was never measured. */
  reserveDeg: number | null;
  /** Degrees of the position that closing it would give; for links of one sum no more than that sum still misses. */
  givesDeg: number;
  activeGap: ActiveGap | null;
  /** Part of a sum that makes the position; the others are gates of their own. */
  coupled: boolean;
}>;

export type PositionReading = Readonly<{
  model: Goal['model'];
  leadSide: Side | null;
  /** What closing gives most first; those never measured last. */
  links: readonly Link[];
  /** The link that holds the position back, and the next one when it is within error of it. */
  limiting: readonly Link[];
  neverMeasured: readonly Link[];
  /** Opening the links allow by themselves; null unless they add up and all are known. */
  openingFromLinksDeg: number | null;
  /** Opening as measured in the position itself. */
  openingDeg: number | null;
  /** What the position shows beyond its links, with the errors of model, position and links. */
  unexplainedDeg: Uncertain | null;
  needSumDeg: number | null;
  legs: Readonly<{ leadCm: number; trailCm: number }>;
}>;

export type ReadAsk = Readonly<{
  goal: Pick<Goal, 'model' | 'target'>;
  /** The goal's demands, as changed for this client. */
  demands: readonly Demand[];
  /** The leg in front; null for a goal without one. */
  leadSide: Side | null;
  /** Target of the headline: signed depth, or degrees. */
  target: number | null;
  links: ReadonlyMap<string, LinkValue>;
  /** The headline as measured, with the error of its level; degrees for a sum, signed depth in cm for a split. */
  headline: Uncertain | null;
  /** With the error of their lengths: it is in the opening of a split. */
  legs: Readonly<{ lead: Uncertain; trail: Uncertain }>;
}>;

/** A model of two hinges is off by about this much for reasons that are no links (assumption: docs/sources.md#reading). */
export const modelSdDeg = 10;

/** Two hip motions that the position turns into one angle. */
const coupledMeasures: Readonly<Record<Goal['model'], readonly Demand['measure'][]>> = {
  split: ['HF-KS', 'HE'],
  'side split': ['HAB'],
  sum: ['HF-KS', 'HE', 'HER0'],
  apart: []
};

/**
 * A position read down to its links.
 *
 * Model:  each demand against what is reached; links of one sum share its shortfall, in proportion to their share. Ordered
 *         by the degrees closing one would give; for a goal whose links stand apart by the degrees missing. What the position
 *         shows beyond the sum is told as unexplained, never as a fault.
 * Units:  degrees; depth in cm.
 * Throws: CoreFault 'lead_side_missing'; those of `openingFromDepthDeg`.
 * Source: docs/sources.md#reading
 */
export function readPosition(ask: ReadAsk): PositionReading {
  const { goal, legs } = ask;
  const openingOf = (depthCm: number) =>
    openingFromDepthDeg({ depthCm, leadLegCm: legs.lead.value, trailLegCm: legs.trail.value });
  const isDepth = isSplit(goal);
  const opening =
    ask.headline === null || goal.model === 'apart'
      ? null
      : isDepth
        ? splitOpening(ask.headline, legs.lead, legs.trail)
        : ask.headline;
  const openingDeg = opening && opening.value;
  const shorterCm = Math.min(legs.lead.value, legs.trail.value);
  const targetDeg =
    ask.target === null || goal.model === 'apart'
      ? null
      : isDepth
        ? openingOf(Math.min(ask.target, shorterCm * 0.999)) // a goal set before a leg was measured shorter
        : ask.target;

  const places = ask.demands.flatMap((demand) => sidesOf(demand, ask.leadSide).map((side) => ({ demand, side })));
  const isCoupled = (d: Demand) => coupledMeasures[goal.model].includes(d.measure);
  const coupled = places.filter(({ demand }) => isCoupled(demand));
  const plainSum = coupled.reduce((s, { demand }) => s + demand.needDeg, 0);
  const needSumDeg = coupled.length > 0 ? (targetDeg ?? plainSum) : null;
  const scale = needSumDeg !== null && plainSum > 0 ? needSumDeg / plainSum : 1;
  const passives = coupled.map(({ demand, side }) => ask.links.get(linkKey(demand.measure, side))?.passive ?? null);
  const sumKnown = coupled.length > 0 && passives.every((p) => p !== null);
  const openingFromLinksDeg = sumKnown ? passives.reduce((s, p) => s + p.value, 0) : null;
  const sumMissing = openingFromLinksDeg === null ? Infinity : Math.max(0, needSumDeg! - openingFromLinksDeg);

  const links = places
    .map(({ demand, side }): Link => {
      const known = ask.links.get(linkKey(demand.measure, side));
      const passive = known?.passive ?? null;
      const active = known?.active ?? null;
      const inSum = isCoupled(demand);
      const needDeg = inSum ? demand.needDeg * scale : demand.needDeg;
      const reserveDeg = passive && passive.value - needDeg;
      const missing = reserveDeg === null ? 0 : Math.max(0, -reserveDeg);
      return {
        key: linkKey(demand.measure, side),
        measure: demand.measure,
        side,
        passive,
        active,
        needDeg,
        basis: demand.basis,
        reserveDeg,
        givesDeg: inSum ? Math.min(missing, sumMissing) : missing,
        activeGap: known?.activeGap ?? null,
        coupled: inSum
      };
    })
    .sort((a, b) => Number(a.passive === null) - Number(b.passive === null) || b.givesDeg - a.givesDeg);

  const [first, second] = links.filter((l) => l.givesDeg > 0);
  const within =
    first && second && first.givesDeg - second.givesDeg <= z95 * Math.hypot(first.passive!.sd, second.passive!.sd)
      ? [second]
      : [];
  const unexplained =
    opening === null || openingFromLinksDeg === null
      ? null
      : {
          value: opening.value - openingFromLinksDeg,
          sd: Math.hypot(modelSdDeg, opening.sd, ...passives.map((p) => p!.sd))
        };
  return {
    model: goal.model,
    leadSide: ask.leadSide,
    links,
    limiting: first ? [first, ...within] : [],
    neverMeasured: links.filter((l) => l.passive === null),
    openingFromLinksDeg,
    openingDeg,
    unexplainedDeg: unexplained,
    needSumDeg,
    legs: { leadCm: legs.lead.value, trailCm: legs.trail.value }
  };
}

function sidesOf(demand: Demand, leadSide: Side | null): (Side | null)[] {
  if (demand.on === 'both together') return [null];
  if (demand.on === 'each') return [...sides];
  if (leadSide === null) throw new CoreFault('lead_side_missing', { measure: demand.measure });
  return [demand.on === 'lead' ? leadSide : otherSide(leadSide)];
}
