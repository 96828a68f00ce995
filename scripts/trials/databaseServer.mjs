// A database server that is away at the start, restarts, and drops connections in the middle of transactions: the studio lives, says so, and goes on.
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { noPostgres, startPostgres } from './postgres.mjs';
import { sendForm, startStudio, tell, throwaway } from './studio.mjs';

const server = startPostgres() ?? noPostgres();
server.stop();
const studio = await startStudio(throwaway('away'), 5323, {
  env: { DATABASE_URL: server.url },
  until: (answer) => answer.status === 503
});
const text = async () => (await fetch(`${studio.origin}/people`)).text();
const saysAway = (await text()).includes('The database server does not answer');
const untilItAnswers = async () => {
  const began = Date.now();
  while (!(await fetch(`${studio.origin}/people`)).ok) await wait(100);
  return Date.now() - began;
};
server.start();
const figures = { awayAtStartMs: await untilItAnswers() };

const person = {
  birthDate: '',
  birthYear: '1990',
  level: 'beginner',
  contact: '',
  notes: '',
  statureCm: '170',
  leftLegCm: '90',
  rightLegCm: '90',
  lowerLegCm: '',
  hipToBreastboneCm: '',
  bodyMassKg: '',
  sessionsPerWeek: '3',
  minutesPerSession: '45'
};
const [confirmed, answers] = [[], {}];
let writing = true;
async function write() {
  while (writing) {
    const name = `Nell ${randomUUID().slice(0, 8)}`;
    const answer = await sendForm(studio.origin, '/people/new', { ...person, name, once: randomUUID() });
    const kind = answer === null ? 'no answer' : answer.type === 'error' ? answer.error.message.slice(0, 40) : answer.type;
    answers[kind] = (answers[kind] ?? 0) + 1;
    if (answer?.type === 'redirect') confirmed.push(name);
    else await wait(50);
  }
}
const writers = [write(), write(), write(), write()];
let dropped = 0;
for (let i = 0; i < 20; i++) {
  await wait(100);
  dropped += Number(
    server.sql(
      "select count(pg_terminate_backend(pid)) from pg_stat_activity where pid <> pg_backend_pid() and backend_type = 'client backend'"
    )
  );
}
for (const mode of ['fast', 'immediate']) {
  await wait(500);
  server.stop(mode);
  await wait(1500);
  server.start();
  figures[`after ${mode} restartMs`] = await untilItAnswers();
}
await wait(500);
writing = false;
await Promise.all(writers);
const there = new Set(server.sql('select name from client').split('\n'));
const lost = confirmed.filter((name) => !there.has(name));
const lives = studio.child.exitCode === null;
await studio.stop();
tell(
  { ...figures, saysAway, dropped, confirmed: confirmed.length, lost: lost.length, answers, lives },
  lives && saysAway && lost.length === 0 && dropped > 0
);
