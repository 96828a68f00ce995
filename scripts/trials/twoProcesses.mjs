// Two studios on one directory: at once, in rooms of process numbers of their own as two containers are, and after a kill.
import { spawnSync } from 'node:child_process';
import { startStudio, tell, throwaway } from './studio.mjs';

const [portA, portB] = [5324, 5325];
const atOnce = Number(process.env.TIMES ?? 5);
const dataDir = throwaway('two');
await (await startStudio(dataDir, portA)).stop();

/** Whether it opened, once that is known. */
const hasOpened = (studio) =>
  Promise.race([
    studio.ended.then(() => false),
    new Promise((answer) => studio.child.stdout.on('data', () => studio.said().includes('Listening') && answer(true)))
  ]);

/** Starts one more where one should be held off; gives whether it was, and said by whom. */
async function isHeldOff(port, options = {}) {
  const second = await startStudio(dataDir, port, { ...options, until: null });
  if (!(await hasOpened(second))) return /in use by another Calm Reach: process \d+ on .+, since/.test(second.said());
  await second.kill();
  return false;
}

let bothOpen = 0;
for (let i = 0; i < atOnce; i++) {
  const both = await Promise.all([portA, portB].map((port) => startStudio(dataDir, port, { until: null })));
  const opened = await Promise.all(both.map(hasOpened));
  if (opened.filter(Boolean).length !== 1) bothOpen++;
  await Promise.all(both.map((s) => s.kill()));
}

const before = ['unshare', '--pid', '--fork', '--kill-child', '--mount-proc'];
const hasRooms = spawnSync(before[0], [...before.slice(1), 'true']).status === 0;
const figures = { atOnce, bothOpen };
let holds = bothOpen === 0;
if (hasRooms) {
  const first = await startStudio(dataDir, portA, { before });
  figures.heldOffFromAnotherRoom = await isHeldOff(portB, { before });
  figures.heldOffFromOutside = await isHeldOff(portB);
  await first.kill();
  const began = Date.now();
  await (await startStudio(dataDir, portB, { before })).kill();
  figures.takenOverAfterKillMs = Date.now() - began;
  holds &&= figures.heldOffFromAnotherRoom && figures.heldOffFromOutside;
} else figures.rooms = 'not run: this machine gives none';
tell(figures, holds);
