// Kills in mid-write: pains, measures, pictures, sets, sessions and verdicts are sent until the studio is killed; then everything it confirmed is looked for.
// KILLS says how often.
import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { demoStudio, readRows, sendForm, startStudio, tell, today } from './studio.mjs';

const port = 5321;
const kills = Number(process.env.KILLS ?? 30);
const dataDir = await demoStudio('kills', port);
const day = today();

const state = () =>
  readRows(dataDir, {
    pains: "select note, count(*)::int as n from pain_event where note like 'trial %' group by note",
    occasions: `select note, count(*)::int as n, min((select count(*) from trial t where t.occasion_id = o.id))::int as trials
                from occasion o where note like 'trial %' group by note`,
    clients: 'select id from client where archived_at is null order by id',
    photos: 'select id from photo',
    sets: 'select id, replaced_ids as "replacedIds" from set_log',
    sessions: `select s.id, s.status, s.planned_sets as "plannedSets", g.client_id as "clientId",
                 (select count(*) from decision d where d.session_id = s.id)::int as decisions
               from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
               where g.kind = 'front_split' order by s.planned_on, s.id`
  });

// A session of whoever is open for one; the others are measured, pictured and hurt.
let rows = await state();
const practising = [...new Set(rows.sessions.filter((s) => s.status === 'planned').map((s) => s.clientId))];
const hurt = rows.clients.map((c) => c.id).find((id) => !practising.includes(id)); // a pain would close the sessions of the others
const daysAgo = (n) => new Date(Date.parse(`${day}T12:00:00Z`) - n * 24 * 3600 * 1000).toISOString().slice(0, 10);
const confirmed = { pains: [], occasions: [], photos: [], sets: [], ended: [], decided: [] };
let studio;

const start = (sessionId) => ({
  sessionId: String(sessionId),
  answer: 'accept',
  reason: '',
  newSymptom: 'no',
  soreness: '0',
  overdueCheck: 'on',
  sameDay: 'on'
});
const post = async (path, body) => {
  const headers = { 'content-type': 'application/json', origin: studio.origin };
  const answer = await fetch(studio.origin + path, { method: 'POST', headers, body: JSON.stringify(body) }).catch(() => null);
  return answer && (await answer.json().catch(() => null));
};

/** Each writes until nobody answers. */
const writers = {
  async pains(_, round) {
    for (let n = 0; ; n++) {
      // Told twice alike on one day it is kept once: each has a day of its own.
      const note = `trial pain ${round} ${n}`;
      const fields = {
        place: 'groin',
        side: 'left',
        kind: 'afterwards',
        feltOn: daysAgo(round * 40 + n),
        exerciseId: '',
        workSide: '',
        note,
        once: randomUUID()
      };
      const answer = await sendForm(studio.origin, `/people/${hurt}/pain?/tell`, fields);
      if (!answer) return;
      if (answer.type === 'redirect' || answer.type === 'success') confirmed.pains.push(note);
    }
  },
  async occasions(clientId, round) {
    for (let n = 0; ; n++) {
      const note = `trial measure ${round} ${n}`;
      const fields = {
        takenOn: day,
        bodyState: 'warm',
        dayTime: '',
        training: '',
        measurer: '',
        note,
        way: 'tape',
        support: '',
        left_passive_1_heightCm: '20',
        right_passive_1_heightCm: '24',
        once: randomUUID()
      };
      const answer = await sendForm(studio.origin, `/people/${clientId}/measure?/save&m=front_split_gap&set=short`, fields);
      if (!answer) return;
      if (answer.type === 'redirect') confirmed.occasions.push(note);
    }
  },
  async photos(clientId) {
    await sendForm(studio.origin, `/people/${clientId}/photos?/consent`, { givenBy: 'Nell Harrow' });
    for (;;) {
      const id = randomUUID();
      const body = new FormData();
      const points = { landmarks: {}, line: null, block: null };
      for (const [name, value] of Object.entries({
        measureId: 'HF-KS',
        side: 'left',
        mode: 'passive',
        takenOn: day,
        points: JSON.stringify(points)
      }))
        body.append(name, value);
      body.append('file', new Blob([picture], { type: 'image/jpeg' }), 'trial.jpg');
      const answer = await fetch(`${studio.origin}/people/${clientId}/photos/${id}`, {
        method: 'PUT',
        headers: { origin: studio.origin },
        body
      }).catch(() => null);
      if (!answer) return;
      const result = await answer.json().catch(() => null);
      if (result?.ok) confirmed.photos.push(id);
    }
  },
  async sessions() {
    const open = rows.sessions.filter((s) => ['planned', 'running'].includes(s.status));
    const isRunning = (s) => Number(s.status === 'running');
    for (const { id, clientId, plannedSets } of open.toSorted((a, b) => isRunning(b) - isRunning(a))) {
      const begun = await sendForm(studio.origin, `/people/${clientId}/practise?/start`, start(id));
      if (!begun) return;
      if (begun.type !== 'redirect') continue;
      const at = `/people/${clientId}/practise/${id}`;
      for (let setIndex = 0; setIndex < 5; setIndex++) {
        const planned = plannedSets?.[setIndex % plannedSets.length];
        const log = {
          id: randomUUID(),
          setIndex,
          exerciseId: planned?.exerciseId ?? 'front_split_on_stack',
          side: planned?.side ?? null,
          plannedS: 30,
          actualS: 30,
          clean: planned?.side ? true : null,
          sensation: null,
          felt: null,
          slipped: null,
          setting: {}
        };
        const answer = await post(`${at}/sets`, log);
        if (!answer) return;
        if (!answer.ok) continue;
        confirmed.sets.push(log.id);
      }
      const finished = await post(`${at}/finish`, { status: 'done' });
      if (!finished) return;
      if (finished.ok) confirmed.ended.push(id);
      const decided = await sendForm(studio.origin, `/people/${clientId}/review?/acceptAll`, {});
      if (!decided) return;
      if (decided.type === 'success' && plannedSets) confirmed.decided.push(id);
    }
  }
};
/** The head of a JPEG of 40 by 30 picture elements: all that is read of it. */
const picture = new Uint8Array([
  0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0, 0xff, 0xc0, 0, 17, 8, 0, 30, 0, 40, 3, 1,
  0x22, 0, 2, 0x11, 1, 3, 0x11, 1, 0xff, 0xd9
]);

const faults = { lost: [], doubled: [], halfWritten: [] };
for (let round = 1; round <= kills; round++) {
  studio = await startStudio(dataDir, port);
  const writing = Object.values(writers).map((write, i) => write(practising[(round + i) % practising.length], round));
  await wait(1500 + Math.random() * 2500);
  await studio.kill();
  await Promise.all(writing);
  rows = await state();
  const there = {
    pains: rows.pains.map((r) => r.note),
    occasions: rows.occasions.map((r) => r.note),
    photos: rows.photos.map((r) => r.id)
  };
  for (const kind of ['pains', 'occasions', 'photos']) {
    const known = new Set(there[kind]);
    faults.lost.push(...confirmed[kind].filter((one) => !known.has(one)).map((one) => `${kind} ${one}`));
  }
  const sets = new Set(rows.sets.flatMap((r) => [r.id, ...r.replacedIds])); // done over, a set is known by the one that stands for it
  faults.lost.push(...confirmed.sets.filter((id) => !sets.has(id)).map((id) => `set ${id}`));
  const sessions = new Map(rows.sessions.map((s) => [s.id, s]));
  faults.lost.push(...confirmed.ended.filter((id) => sessions.get(id).status !== 'done').map((id) => `end of session ${id}`));
  faults.lost.push(
    ...confirmed.decided.filter((id) => sessions.get(id).decisions === 0).map((id) => `verdicts of session ${id}`)
  );
  faults.doubled.push(...[...rows.pains, ...rows.occasions].filter((r) => r.n > 1).map((r) => r.note));
  faults.halfWritten.push(...rows.occasions.filter((r) => r.trials < 2).map((r) => r.note));
  const folders = readdirSync(join(dataDir, 'photos')).map((key) => join(dataDir, 'photos', key));
  const hasFile = (id) => folders.some((folder) => ['jpg', 'svg'].some((ending) => existsSync(join(folder, `${id}.${ending}`))));
  faults.halfWritten.push(...there.photos.filter((id) => !hasFile(id)).map((id) => `picture ${id} without its file`));
}
const counts = Object.fromEntries(Object.entries(confirmed).map(([kind, all]) => [kind, all.length]));
const total = Object.values(counts).reduce((a, b) => a + b, 0);
for (const found of Object.values(faults).flat().slice(0, 20)) process.stdout.write(`${found}\n`);
tell(
  {
    kills,
    confirmed: total,
    ...counts,
    lost: faults.lost.length,
    doubled: faults.doubled.length,
    halfWritten: faults.halfWritten.length
  },
  Object.values(faults).every((f) => f.length === 0) && Object.values(counts).every((n) => n > 0)
);
