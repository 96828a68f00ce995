/** The page of what this device holds by itself. */
export const awayPage = '/kept';

/** Where a page that no server answers for leads: the player to its session, every other to the list. */
export function awayPath(pathname: string): string {
  const [, sessionId] = /^\/people\/\d+\/practise\/(\d+)$/.exec(pathname) ?? [];
  return sessionId ? `${awayPage}?session=${sessionId}` : awayPage;
}
