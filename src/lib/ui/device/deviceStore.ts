import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { z } from 'zod';
import type { KeptSession, PlayedSession } from '$lib/contract/played';
import { addDays, formKinds } from '$lib/core';
import { dateToday } from '$lib/ui/format';

const letterTos = ['start', 'sets', 'pain', 'finish'] as const;
/** What a player says to the studio about a session. */
export type LetterTo = (typeof letterTos)[number];

/** Something that was confirmed on this device and is on its way to the studio. */
export type Letter = Readonly<{
  id: string;
  /** Its place among the others. */
  no: number;
  clientId: number;
  sessionId: number;
  /** Whom and what it is of, for whoever reads the list. */
  of: string;
  to: LetterTo;
  body: unknown;
  /** Why the studio would not take it. It stays until somebody has seen to it. */
  refused?: string;
}>;

interface Schema extends DBSchema {
  sessions: { key: number; value: KeptSession };
  letters: { key: string; value: Letter };
}

let opening: Promise<IDBPDatabase<Schema>> | null = null;

/** This browser's own database. Where it has none, or is full, every call is refused. */
const device = (): Promise<IDBPDatabase<Schema>> =>
  (opening ??= openDB<Schema>('calm-reach', 1, {
    upgrade(db) {
      db.createObjectStore('sessions', { keyPath: 'session.id' });
      db.createObjectStore('letters', { keyPath: 'id' });
    },
    terminated: () => (opening = null)
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  }));

export const putLetter = async (letter: Letter): Promise<void> => void (await (await device()).put('letters', letter));
export const deleteLetter = async (id: string): Promise<void> => (await device()).delete('letters', id);

/** Every letter in its order. What another version of the program put there in another form stays there, unread. */
export const listLetters = async (): Promise<Letter[]> =>
  (await (await device()).getAll('letters')).filter((l) => letterTos.includes(l.to)).toSorted((a, b) => a.no - b.no);

export const putSession = async (kept: KeptSession): Promise<void> => void (await (await device()).put('sessions', kept));

/** Where the player's place in a session is kept. */
export const placeKeyOf = (sessionId: number): string => `calm-reach/place/${sessionId}`;

/** From here on no session of a person starts by itself on this device: something was told that the studio has to hear first. */
export async function holdSessionsOf(clientId: number): Promise<void> {
  for (const kept of await listSessions())
    if (kept.client.id === clientId && kept.session.status === 'planned') await putSession({ ...kept, days: [] });
}

/** What a session is called on this device: whose, and which. */
export const sessionOf = ({ client, session }: PlayedSession): string =>
  `${client.name}, week ${session.week}, session ${session.ordinal}`;

/** Keeps a session that has begun. A device that cannot plays on with the studio alone. */
export const keepPlayed = (played: PlayedSession): Promise<void> =>
  putSession({ ...played, copy: null, keptOn: dateToday(), days: [], without: [], effortCapPct: 100 }).catch(() => undefined);

/** The least a kept session needs to be played, whichever version of the program kept it. */
const keptShape = z.looseObject({
  client: z.looseObject({ id: z.number(), name: z.string() }),
  session: z.looseObject({ id: z.number(), week: z.number(), ordinal: z.number(), status: z.string() }),
  keptOn: z.string(),
  days: z.array(z.looseObject({ on: z.string() })),
  blocks: z.array(z.looseObject({ work: z.array(z.looseObject({ form: z.looseObject({ kind: z.enum(formKinds) }) })) }))
});

/** Whether an entry of the device is a session that this version can play. */
export const isPlayable = (entry: unknown): boolean => keptShape.safeParse(entry).success;

/** The sessions this device can play by itself; none where nothing can be read. */
export const listSessions = (): Promise<KeptSession[]> =>
  device().then(
    async (db) => (await db.getAll('sessions')).filter(isPlayable),
    () => []
  );

/** Days after which nobody goes on with a session that has begun. */
const goneCold = 7;

/**
 * Whether a kept session is still of use on a day: one that may start on it, one that has begun in the last week, or one of which something
 * waits. What is of no use is let go, since it is about a person.
 */
export const isOfUse = (kept: KeptSession, today: string, letters: readonly Pick<Letter, 'sessionId'>[]): boolean =>
  (kept.session.status === 'running' && kept.keptOn >= addDays(today, -goneCold)) ||
  letters.some((l) => l.sessionId === kept.session.id) ||
  (kept.session.status === 'planned' && kept.days.some((d) => d.on >= today));

/** Lets go of the sessions that are of no use any more, with the place the player had in them. */
export async function forgetUseless(letters: readonly Letter[]): Promise<void> {
  const today = dateToday();
  for (const kept of await listSessions()) {
    if (isOfUse(kept, today, letters)) continue;
    await (await device()).delete('sessions', kept.session.id);
    localStorage.removeItem(placeKeyOf(kept.session.id));
  }
}
