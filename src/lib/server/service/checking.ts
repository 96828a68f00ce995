import type { ClearInput, ScreeningInput } from '$lib/contract/forms';
import { CoreError, isCleared, screen, screeningVersion, type Limit, type Screening } from '$lib/core';
import type { Database } from '../db/db';
import { getClient, type Client } from '../repo/clientRepo';
import { updateLockCleared } from '../repo/lockRepo';
import { findScreening, insertScreening, updateClearance } from '../repo/screeningRepo';
import type { ClientCase } from './clientCase';

/** Age by birth year alone, the younger reading. */
export const ageYears = (client: Pick<Client, 'birthYear'>, today: string): number =>
  Number(today.slice(0, 4)) - client.birthYear - 1;

/** What today's answers would allow, before they are kept. */
export const screenedAs = (
  client: Client,
  input: Pick<ScreeningInput, 'flags' | 'effortCapPct' | 'sensationCap'>,
  today: string
): Screening => screen({ ...input, ageYears: ageYears(client, today) });

export async function saveScreening(db: Database, clientId: number, input: ScreeningInput, today: string): Promise<Screening> {
  const client = await getClient(db, clientId);
  const result = screenedAs(client, input, today);
  const { flags, effortCapPct, sensationCap } = input;
  const { clearance, limits } = result;
  await insertScreening(db, clientId, {
    takenOn: today,
    version: screeningVersion,
    flags,
    effortCapPct,
    sensationCap,
    clearance,
    limits
  });
  return result;
}

/** A named person clears a client for planning; the answers stay as they were given. */
export async function clearScreening(db: Database, clientId: number, input: ClearInput, today: string): Promise<void> {
  const screening = await findScreening(db, clientId);
  if (!screening) throw new CoreError('not_found', { what: 'screening' });
  await updateClearance(db, screening.id, input.clearedBy, today, input.clearNote);
}

export async function clearLock(db: Database, clientId: number, lockId: number, input: ClearInput, today: string): Promise<void> {
  await updateLockCleared(db, clientId, lockId, input.clearedBy, today, input.clearNote);
}

/** Whether planning and playing are open for this client. No screening is not a yes. */
export const isOpenForWork = ({ screening }: Pick<ClientCase, 'screening'>): boolean =>
  screening !== null && isCleared(screening.clearance, screening.clearedBy);

export const limitsOf = ({ screening }: Pick<ClientCase, 'screening'>): readonly Limit[] => screening?.limits ?? [];
