/** Settings of the environment that say by which names this studio is reached. */
export type Names = Readonly<{
  /** Where it is reached, as a person types it: https://studio.example. */
  ORIGIN?: string | undefined;
  PORT?: string | undefined;
  /** The one address it listens on, where that is not this machine alone or all of them. */
  HOST?: string | undefined;
  /** More hosts, with their port where it is not the usual one, separated by spaces. */
  CALM_REACH_HOSTS?: string | undefined;
}>;

const ownNames = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Who may ask: a page of this studio, by one of its names. A page elsewhere whose name was turned to this machine (DNS rebinding)
 * asks by its own name, and is refused; so is a form or a call that another page sends.
 *
 * Without ORIGIN and PORT, in development, any port of this machine will do.
 */
export function askers({ ORIGIN, PORT, HOST, CALM_REACH_HOSTS = '' }: Names) {
  const origin = ORIGIN ? new URL(ORIGIN) : null;
  const port = PORT ?? (origin && (origin.port || (origin.protocol === 'https:' ? '443' : '80')));
  const listened = HOST && !['0.0.0.0', '::'].includes(HOST) ? [`${HOST}:${port}`] : [];
  const named = [...(origin ? [origin.host] : []), ...listened, ...CALM_REACH_HOSTS.split(/\s+/).filter(Boolean)].map((h) =>
    h.toLowerCase()
  );
  const isOwn = (host: string): boolean => {
    const [, name = '', at = '80'] = /^(.*?)(?::(\d+))?$/.exec(host) ?? [];
    return ownNames.includes(name) && (port === null || at === port);
  };
  const isHost = (host: string | null): boolean => {
    const asked = host?.toLowerCase() ?? '';
    return named.includes(asked) || isOwn(asked);
  };
  return {
    isHost,
    /** Whether what changes something comes from a page of ours: browsers always say where from. */
    isOrigin(from: string | null): boolean {
      if (!from || !URL.canParse(from)) return false;
      return from.toLowerCase() === origin?.origin || isHost(new URL(from).host);
    }
  };
}

/** A way back inside this studio; null for anything that leads out of it, however it is written. */
export function ownPath(back: string): string | null {
  const here = 'http://here.invalid';
  // Control characters and backslashes are dropped or turned by browsers, and so make one address of another.
  if (!/^\/[\x21-\x5b\x5d-\x7e]*$/.test(back) || !URL.canParse(back, here)) return null;
  const url = new URL(back, here);
  return url.origin === here ? url.pathname + url.search : null;
}
