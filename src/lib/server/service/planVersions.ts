import type { PlanVersion } from '$lib/contract/plan';
import { planChangeText, schoolOf } from '$lib/core';
import type { Db } from '../db/db';
import { listPlans } from '../repo/planRepo';
import { dateOf, type GoalCase } from './clientCase';
import { findIn } from './composing';

/** Every version of the plans of the goal in work, the newest first. */
export async function versionsOf(db: Db, c: GoalCase): Promise<PlanVersion[]> {
  const find = findIn(c);
  return (await listPlans(db, c.goal.id)).map((p) => ({
    version: p.version,
    name: p.name,
    madeOn: dateOf(p.createdAt),
    weeks: p.weeks,
    sessionsPerWeek: p.sessionsPerWeek,
    minutes: p.minutes,
    schoolName: schoolOf(p.schoolId).name,
    goesOn: p.lineId !== p.id,
    changed: p.changed.map((change) => planChangeText(change, find))
  }));
}
