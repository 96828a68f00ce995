import type { SessionPart } from '../exercise/exercise';

/** How much of one exercise a session holds. */
export type Allotted = Readonly<{
  exerciseId: string;
  /** 0: it is done in another session, or in none. */
  sets: number;
  /** Its effort stays under that of hard work. */
  light?: true;
  /** With one round and its least hold, since there is no time for more. */
  short?: true;
  /** Held and not pressed, whatever its school: a session of stretch alone. */
  stretch?: true;
  /** The weaker side gets one set more. */
  extra?: true;
}>;

/** What a session holds of the week. What is not named in it came into the week since, and is done as usual. */
export type Allotment = readonly Allotted[];

/** Before a dated event: a session without hard work, the position in each as it will be on the day. */
export const rehearsalAllotment = (allotment: Allotment, part: (exerciseId: string) => SessionPart | undefined): Allotment =>
  allotment.map((a) => {
    const is = part(a.exerciseId);
    return is === 'own' ? { ...a, sets: 0 } : { ...a, light: true, sets: is === 'position' ? Math.max(1, a.sets) : a.sets };
  });
