import type { Limit, LimitKind } from '../screen/limit';
import type { OpenStop, Stop } from '../screen/stop';
import type { SafetyPerson } from '../safety/person';

/** Somebody for tests of the core: screened, with legs of unlike length, nothing wrong, and the flat split not held yet. */
export const somebody = (more: Partial<SafetyPerson> = {}): SafetyPerson => ({
  closed: null,
  limits: [],
  stops: [],
  told: [],
  legCm: { left: 91, right: 88.5 },
  reachedDeg: {},
  moves: [],
  flatHeldOn: { left: [], right: [] },
  lotusStage: 0,
  measuredOn: '2026-02-20',
  screenedOn: '2026-02-01',
  ...more
});

export const limit = (kind: LimitKind, more: Partial<Limit> = {}): Limit => ({ kind, from: 'kept/test', ...more });
export const stopped = (stop: Stop, reason = 'Locking or giving way'): OpenStop => ({ ...stop, reason, openedOn: '2026-02-25' });
/** Three days on which the flat split was held. */
export const flatDays = ['2026-02-10', '2026-02-12', '2026-02-14'] as const;
