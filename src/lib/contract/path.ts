/** The path of the work, as data: the strip, the list of people and whoever asks what waits read the same. Text is made in ui/pathText.ts. */
export const stationIds = ['check', 'measure', 'read', 'grade', 'plan', 'practise', 'review'] as const;
export type StationId = (typeof stationIds)[number];
/** `begun`: nothing waits there, and there is more to do when one likes. */
export type StationState = 'done' | 'begun' | 'due' | 'blocked' | 'ahead';

/** Why a station stands as it does. */
export type StationWord =
  | Readonly<{ code: 'not screened' | 'urgent sign' | 'clinician first' | 'cleared first' }>
  | Readonly<{ code: 'stops open'; stops: number }>
  | Readonly<{ code: 'check again' | 'screened'; on: string }>
  | Readonly<{
      code: 'goal first' | 'no baseline' | 'headline first' | 'no link measured' | 'read' | 'nothing chosen' | 'both sides set';
    }>
  | Readonly<{ code: 'retest' | 'measured'; days: number }>
  | Readonly<{ code: 'some measured' | 'some read'; taken: number; all: number }>
  | Readonly<{ code: 'no plan' | 'plan done' | 'session running' | 'verdicts first' | 'verdicts wait' }>
  | Readonly<{ code: 'nothing waits' | 'after the first session' }>
  | Readonly<{ code: 'planned'; version: number }>
  | Readonly<{ code: 'next session' | 'session overdue'; week: number; ordinal: number; on: string }>;

export type Station = Readonly<{ id: StationId; state: StationState; word: StationWord }>;

/** What waits: the first station that wants something done; null where nothing does. */
export const waitsFor = (stations: readonly Station[]): Station | null =>
  stations.find((s) => s.state === 'due' || s.state === 'blocked') ?? null;
