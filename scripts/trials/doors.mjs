// Odd requests over the wire: every form of the demo's pages, drawn by chance with a fixed seed, the page that answers shown again. None may end in a fault.
// REQUESTS says how many. What each form does with a thousand cases is in src/routes/doors.db.test.ts, DOOR_CASES=1000.
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { demoStudio, startStudio, tell } from './studio.mjs';

const port = 5327;
const requests = Number(process.env.REQUESTS ?? 4000);
const studio = await startStudio(await demoStudio('doors', port), port);
const { origin } = studio;
const get = async (path) => {
  const answer = await fetch(origin + path, { redirect: 'manual' });
  return { status: answer.status, text: await answer.text() };
};

/** The forms of a page, each with the fields a browser would send. */
async function formsOf(path) {
  const { document } = new JSDOM((await get(path)).text, { url: origin + path }).window;
  return [...document.querySelectorAll('form[method=POST i]')].map((form) => ({
    path: form.action.slice(origin.length),
    fields: [...form.elements].filter((e) => e.name).map((e) => [e.name, e.value])
  }));
}
const people = [...(await get('/people')).text.matchAll(/href="(\/people\/\d+)"/g)].map(([, path]) => path);
const stations = ['goal', 'check', 'measure', 'read', 'grade', 'plan', 'practise', 'review', 'pain', 'photos', 'edit'];
const own = [...new Set(people)].slice(0, 8).flatMap((person) => stations.map((s) => `${person}/${s}`));
const pages = ['/people', '/people?show=archived', '/people/new', '/props', '/library', '/library/new', '/library/frog', ...own];
const forms = [];
for (const page of pages) forms.push(...(await formsOf(page)));
const kinds = [...new Set(forms.map((f) => f.path.replace(/\d+/g, 'n')))];
const byKind = kinds.map((kind) => forms.filter((f) => f.path.replace(/\d+/g, 'n') === kind));

const odd = fc.oneof(
  fc.constantFrom(
    '',
    '__proto__',
    'constructor',
    '-1',
    '0',
    '1',
    '2',
    '1e300',
    'NaN',
    '9999999999',
    '2026-02-30',
    '2999-01-01',
    '0001-01-01'
  ),
  fc.constantFrom(
    'front_split',
    'lotus',
    'FROG',
    'HF-KS',
    'tape',
    'left',
    'LEFT',
    'nul\u0000byte',
    'a'.repeat(5000),
    '<script>',
    "Robert'); drop table client; --"
  ),
  fc.constantFrom('/\\evil.example', '//evil.example', '\t/evil.example', 'a\nb', '🦩'),
  fc.string({ unit: 'binary', maxLength: 60 })
);
const drawn = fc.record({
  form: fc.constantFrom(...byKind).chain((alike) => fc.constantFrom(...alike)),
  changes: fc.array(fc.record({ at: fc.nat(), how: fc.constantFrom('odd', 'odd', 'odd', 'gone', 'twice'), value: odd }), {
    minLength: 1,
    maxLength: 4
  }),
  filling: odd,
  body: fc.constantFrom('form', 'form', 'form', 'form', 'form', 'form', 'form', 'multipart', 'text', 'json', 'nothing'),
  accept: fc.constantFrom('text/html', 'text/html', 'application/json'),
  query: fc.option(fc.tuple(fc.constantFrom('goal', 'm', 'set', 'exercise', 'client', 'session', 'copy', 'topic', 'show'), odd), {
    freq: 3
  })
});

function requestOf({ form, changes, filling, body, accept, query }) {
  const fields = form.fields.map(([name, value]) => [name, value === '' && filling.length < 20 ? filling : value]);
  for (const { at, how, value } of changes) {
    const field = fields[at % Math.max(1, fields.length)];
    if (!field) continue;
    if (how === 'odd') field[1] = value;
    else if (how === 'twice') fields.push([field[0], value]);
    else fields.splice(fields.indexOf(field), 1);
  }
  const encoded = new URLSearchParams(fields);
  const multipart = new FormData();
  for (const [name, value] of fields) multipart.append(name, new Blob([value]), 'odd.txt');
  const bodies = {
    form: encoded,
    multipart,
    text: 'no form at all',
    json: JSON.stringify(Object.fromEntries(fields)),
    nothing: undefined
  };
  const types = { text: { 'content-type': 'text/plain' }, json: { 'content-type': 'application/json' } };
  const path = query ? `${form.path}${form.path.includes('?') ? '&' : '?'}${new URLSearchParams([query])}` : form.path;
  return [path, { method: 'POST', redirect: 'manual', headers: { origin, accept, ...types[body] }, body: bodies[body] }];
}

const [statuses, faults] = [{}, []];
for (const sample of fc.sample(drawn, { seed: 20261128, numRuns: requests })) {
  const [path, request] = requestOf(sample);
  const answer = await fetch(origin + path, request);
  const text = await answer.text();
  // A form sent by the page is answered 200 with what came of it inside.
  const status = answer.status === 200 && text.startsWith('{') ? (JSON.parse(text).status ?? 200) : answer.status;
  statuses[status] = (statuses[status] ?? 0) + 1;
  if (status >= 500) faults.push(`${status} ${path} ${String(request.body).slice(0, 300)}`);
}
for (const page of pages) {
  const { status } = await get(page);
  if (status >= 500) faults.push(`${status} ${page}, opened afterwards`);
}
for (const fault of faults.slice(0, 20)) process.stdout.write(`${fault}\n`);
if (faults.length > 0) process.stdout.write(studio.said().slice(-3000));
await studio.stop();
tell({ requests, forms: kinds.length, statuses, faults: faults.length }, faults.length === 0);
