import { expect } from '@playwright/test';
import { test } from './alive';
import { goals, measureOf, wayOf } from '../../src/lib/core';
import { addClient, clientBase, passCheck, setGoal, watched } from './steps';

const stations = ['goal', 'check', 'measure', 'read', 'grade', 'plan', 'practise', 'review', 'pain'];

/** What reads the headline, and has to do without. */
const beforeMeasuring = ['measure', 'read', 'grade', 'plan'];

test('no station of any goal answers with a fault, before its headline is measured and after', async ({ page, baseURL }) => {
  test.setTimeout(300_000);
  const { faults } = watched(page);
  await addClient(page, 'Every Goal');
  const base = clientBase(page);
  await setGoal(page);
  await passCheck(page);
  const post = async (path: string, form: Record<string, string>) => {
    const answer = await page.request.post(path, { form, headers: { origin: baseURL!, accept: 'text/html' }, maxRedirects: 0 });
    expect(answer.status(), `${path} ${JSON.stringify(form)} ${answer.status() === 400 ? await answer.text() : ''}`).toBe(303);
  };
  const open = async (told: string, which: readonly string[] = stations) => {
    for (const station of which) {
      const answer = await page.request.get(`${base}/${station}`);
      expect(answer.status(), `${told}: ${station}`).toBe(200);
      expect((await answer.text()).replace(/<script[\s\S]*?<\/script>/g, ''), `${told}: ${station}`).not.toMatch(
        /undefined|NaN|\[object/
      );
    }
  };
  for (const goal of goals) {
    await post(`${base}/goal?/save&goal=new`, {
      kind: goal.id,
      title: goal.id === 'custom' ? 'Bow' : '',
      aim: 'flat',
      target: '',
      targetOn: '',
      ...(goal.leads && { leadSide: 'right' })
    });
    await open(goal.id, beforeMeasuring);
    const headline = measureOf(goal.headline);
    const [way] = headline.ways;
    const [low, high] = headline.usual;
    const middle = String(Math.round((low + high) / 2));
    const [mode] = headline.modes;
    const sides = headline.sides === 'each' ? ['left', 'right'] : ['both'];
    await post(`${base}/measure?/save&set=short&m=${headline.id}`, {
      takenOn: new Date().toISOString().slice(0, 10),
      bodyState: 'warm',
      way: way!,
      ...Object.fromEntries(sides.map((side) => [`${side}_${mode}_1_${wayOf(way!).fields[0]!.id}`, middle]))
    });
    await open(`${goal.id}, measured`);
  }
  expect(faults).toEqual([]);
});
