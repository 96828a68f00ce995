import type { LinkId } from '../exercise/exercise';
import type { StretchMost } from '../safety/upperLimit';
import { isWorked, type Block } from '../session/block';
import { compileSession } from '../session/compileSession';
import { doseByLink } from './doseByLink';

/** Minutes of a week that are not used, or that a limit takes. Units: minutes. */
export type MinutesNote =
  /** Less is used than was asked for: a motion has its fill of stretch, or the exercises ask for no more. */
  | Readonly<{ code: 'motion has its fill'; link: LinkId; used: number; minutes: number }>
  | Readonly<{ code: 'asks for no more'; used: number; minutes: number }>
  | Readonly<{ code: 'long warm-up'; warmUp: number; minutes: number; more: number }>;

type MostOf = (link: LinkId) => StretchMost;

/** A session that uses less of its minutes than this says why; a motion this near its limit has its fill (assumptions). */
const rules = { usedShare: 0.85, fillShare: 0.85, warmUpShare: 0.3 } as const;

/**
 * Notes on the minutes of a usual week: why they are not used, or that a limit makes the warm-up long.
 *
 * Model:  of the longest session. What a warm-up may take without a word is three tenths; so many minutes more make it that.
 */
export function minutesNotes(
  sessions: readonly Readonly<{ blocks: readonly Block[]; durationS: number }>[],
  minutes: number,
  mostOf: MostOf
): MinutesNote[] {
  const longest = sessions.toSorted((a, b) => b.durationS - a.durationS)[0];
  if (!longest || longest.blocks.length === 0) return [];
  return [...unusedNotes(sessions, longest, { minutes, mostOf }), ...warmUpNotes(longest, minutes)];
}

type OneSession = Readonly<{ blocks: readonly Block[]; durationS: number }>;

function unusedNotes(
  sessions: readonly OneSession[],
  longest: OneSession,
  { minutes, mostOf }: Readonly<{ minutes: number; mostOf: MostOf }>
): MinutesNote[] {
  if (longest.durationS >= rules.usedShare * minutes * 60) return [];
  const used = Math.ceil(longest.durationS / 60);
  const stretchOf = (blocks: readonly Block[]) => doseByLink(blocks).map((d) => ({ link: d.link, min: d.stretchS / 60 }));
  const full =
    stretchOf(longest.blocks).find((d) => d.min >= rules.fillShare * mostOf(d.link).sessionMin) ??
    stretchOf(sessions.flatMap((s) => s.blocks)).find((d) => d.min >= rules.fillShare * mostOf(d.link).weekMin);
  return [full ? { code: 'motion has its fill', link: full.link, used, minutes } : { code: 'asks for no more', used, minutes }];
}

function warmUpNotes({ blocks }: OneSession, minutes: number): MinutesNote[] {
  const warmUp = compileSession(blocks.filter((b) => b.part === 'warm-up' && !isWorked(b))).durationS / 60;
  if (warmUp <= rules.warmUpShare * minutes) return [];
  const more = Math.ceil(warmUp / rules.warmUpShare / 5) * 5 - minutes;
  return [{ code: 'long warm-up', warmUp: Math.round(warmUp), minutes, more }];
}
