import { z } from 'zod';
import type { Block, Body, LeftOut, Material, PainEvent, Prop, SessionOptions, Side } from '$lib/core';
import type { Units } from './fields';
import { startForm } from './forms';
import type { SessionStatus } from './plan';
import type { LastTime } from './review';

/** A pain that was told in a set of a session. */
export type ToldInSet = PainEvent &
  Readonly<{ id?: string; setIndex: number; exerciseId?: string | null; workSide?: Side | null }>;

/** Work that the gate bars since the session was composed: it is not played any more. */
export type BarredWork = Readonly<{ exerciseId: string; side: Side | null; why: string }>;

/** Everything that is needed to play a session, with or without a server. */
export type PlayedSession = Readonly<{
  session: Readonly<{ id: number; week: number; ordinal: number; status: SessionStatus; retest: boolean }>;
  client: Readonly<{ id: number; name: string; body: Body }>;
  units: Units;
  shelf: readonly (Prop & { material: Material })[];
  blocks: readonly Block[];
  options?: SessionOptions;
  /** Places of the sets that arrived; of those that were left out as well. */
  logged: readonly number[];
  leftOut: readonly number[];
  pains: readonly ToldInSet[];
  barred: readonly BarredWork[];
  /** How each exercise went the last time, by `exercise/side`. */
  lastTimes: Readonly<Record<string, LastTime>>;
  /** The session after this one, without its day where that has gone by; null where the plan ends, absent where an older device kept it. */
  next?: Readonly<{ week: number; ordinal: number; on: string | null }> | null;
  breathS: number;
  sensationCap: number;
}>;

/** A day on which a kept session may start without the server, with what has to be confirmed on it. */
export type KeptDay = Readonly<{ on: string; overdueCheck: boolean; sameDay: boolean }>;

/** A session as a device keeps it: one that may start here, or one that has begun. */
export type KeptSession = PlayedSession &
  Readonly<{
    /** Which composition of the session it is, by the name the server keeps it under; null once it has begun. */
    copy: string | null;
    /** The day it was kept, or played last. */
    keptOn: string;
    days: readonly KeptDay[];
    /** What is not in it, and why: told before it starts. */
    without: readonly (LeftOut | string)[];
    effortCapPct: number;
  }>;

/** The copy that is played, and when: what a device says of a session that it started by itself. */
export const startedAwaySchema = z.intersection(
  startForm,
  z.object({ copy: z.string().regex(/^[0-9a-f]{64}$/), at: z.iso.datetime() })
);
export type StartedAway = z.output<typeof startedAwaySchema>;
