// A PostgreSQL server of its own for the trials that need one: where the machine has its programs.
import { execFileSync } from 'node:child_process';
import { chownSync, existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { atTheEnd, throwaway } from './studio.mjs';

const port = 5340;

function programs() {
  const versions = '/usr/lib/postgresql';
  const places = existsSync(versions) ? readdirSync(versions).map((v) => join(versions, v, 'bin')) : [];
  return [...places, ...(process.env.PATH ?? '').split(':')].find((place) => existsSync(join(place, 'initdb')));
}

/** A started server, or null where there is none on this machine. It refuses to run as root, so root runs it as the user "postgres". */
export function startPostgres() {
  const bin = programs();
  if (!bin) return null;
  const place = throwaway('server');
  const data = join(place, 'data');
  const isRoot = process.getuid?.() === 0;
  if (isRoot) {
    const [uid, gid] = ['-u', '-g'].map((flag) => Number(execFileSync('id', [flag, 'postgres'])));
    chownSync(place, uid, gid);
  }
  const run = (program, ...args) => {
    const command = [join(bin, program), ...args];
    const [name, ...rest] = isRoot ? ['setpriv', '--reuid=postgres', '--regid=postgres', '--clear-groups', ...command] : command;
    return execFileSync(name, rest, { cwd: place, stdio: 'pipe' }).toString();
  };
  const control = (what, ...more) => run('pg_ctl', '-D', data, '-w', '-l', join(place, 'log'), ...more, what);
  run('initdb', '-D', data, '-A', 'trust', '-U', 'studio', '-E', 'UTF8');
  const start = () => control('start', '-o', `-p ${port} -k ${place} -c listen_addresses=localhost`);
  const stop = (mode = 'fast') => control('stop', '-m', mode);
  const sql = (text) =>
    run('psql', '-h', 'localhost', '-p', String(port), '-U', 'studio', '-d', 'postgres', '-At', '-c', text).trim();
  start();
  atTheEnd(() => {
    try {
      stop('immediate');
    } catch {
      // it was stopped already
    }
  });
  return { url: `postgres://studio@localhost:${port}/postgres`, start, stop, sql };
}

/** Says that a trial was not run, where there is no server. */
export function noPostgres() {
  process.stdout.write(`${JSON.stringify({ notRun: 'no PostgreSQL on this machine' })}\n`);
  process.exit(0);
}
