// How often something is said in error of made-up people: retests every second week for twelve weeks, both sides, at the stated error.
const people = 5000;
const retests = 7;
const sd = 1.5;
const expectedPerWeek = 1;

const share = (n, of) => `${((100 * n) / of).toFixed(1)} %`;

/** One life: what is ever said of either side, and from which week on a real gain stands. */
function live(core, random, perWeek) {
  const said = { real: false, loss: false, anyLoss: false, plateau: false, gainWeeks: [] };
  for (const side of ['left', 'right']) {
    const measures = [];
    let gainWeek = Infinity;
    for (let n = 0; n < retests; n++) {
      const week = 2 * n;
      measures.push({ week, value: perWeek * week + sd * core.normalDraw(random), sd, measurer: '', dayTime: '' });
      const verdict = core.changeSoFar(measures, 'higher')?.verdict ?? '';
      said.real ||= verdict.startsWith('real');
      said.loss ||= verdict === 'real loss';
      said.anyLoss ||= verdict.endsWith('loss');
      if (verdict === 'real gain') gainWeek = Math.min(gainWeek, week);
      const rest = core.plateau({ measures, betterIs: 'higher', done: 3 * week, due: 3 * week, expectedPerWeek });
      said.plateau ||= core.plateauAlert(side, rest) !== null;
    }
    said.gainWeeks.push(gainWeek);
  }
  return said;
}

/** Whether a sensation in whole points that varies by one is ever told to drift over 36 sessions. */
function drifts(core, random, perSession) {
  const history = [];
  for (let n = 0; n < 36; n++) {
    const sensation = Math.min(10, Math.max(1, Math.round(3 + perSession * n + core.normalDraw(random))));
    const set = { clean: false, sensation, targetMet: true, alignmentKept: true, feltRight: true };
    history.push({ on: '2026-01-05', plannedSets: 1, sets: [set], pains: [] });
    if (core.exerciseAlerts('frog', null, history).some((a) => a.code === 'sensation drifts')) return true;
  }
  return false;
}

export function benchStatements(core, { say }) {
  for (const perWeek of [0, 0.5, 1]) {
    const random = core.seededRandom(7);
    const lives = Array.from({ length: people }, () => live(core, random, perWeek));
    const count = (of) => share(lives.filter(of).length, people);
    const bySide = (week) => share(lives.flatMap((l) => l.gainWeeks).filter((w) => w <= week).length, 2 * people);
    const who = perWeek === 0 ? 'does not change' : `gains ${perWeek} a week`;
    say(
      `who ${who}: told a real change, a real loss, any loss`,
      [count((l) => l.real), count((l) => l.loss), count((l) => l.anyLoss)].join(', ')
    );
    say(
      `  a real gain of a side by week 8, by 12; told to change the stimulus`,
      [bySide(8), bySide(12), count((l) => l.plateau)].join(', ')
    );
  }
  for (const perSession of [0, 0.15, 0.3]) {
    const random = core.seededRandom(3);
    const told = Array.from({ length: 500 }, () => drifts(core, random, perSession)).filter(Boolean).length;
    say(`a sensation that rises ${perSession} a session is told to drift`, share(told, 500));
  }
}
