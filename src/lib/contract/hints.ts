import { stationIds, type StationId } from './path';

/** The cookie that tells which hints were read: stations between full stops, or that none is wanted. */
export const hintsCookie = 'hints';
export const noHints = 'off';

/** Stations whose hint is still to be told. */
export const hintsLeft = (cookie: string | undefined): StationId[] =>
  cookie === noHints ? [] : stationIds.filter((id) => !(cookie ?? '').split('.').includes(id));

/** The cookie once these hints alone are left. */
export const hintsRead = (left: readonly StationId[]): string => stationIds.filter((id) => !left.includes(id)).join('.');
