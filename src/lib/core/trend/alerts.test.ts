import { describe, expect, test } from 'vitest';
import { attendanceAlert, exerciseAlerts, plateau, plateauAlert, type SessionRecord } from '../index';

// Which signs make an instructor look again: common practice; the figures are assumptions (docs/sources.md#trend).
const said = (sensation: number, alignmentKept = true): SessionRecord => ({
  on: '2026-03-02',
  plannedSets: 1,
  sets: [{ clean: false, sensation, targetMet: true, alignmentKept, feltRight: true }],
  pains: []
});
const clean: SessionRecord = { on: '2026-03-02', plannedSets: 1, sets: [{ clean: true }], pains: [] };
const codes = (history: SessionRecord[]) => exerciseAlerts('frog', null, history).map((a) => a.code);

describe('exerciseAlerts', () => {
  test('a sensation that rises from session to session', () => {
    expect(
      exerciseAlerts(
        'frog',
        null,
        [2, 3, 4, 5].map((s) => said(s))
      )
    ).toEqual([{ code: 'sensation drifts', exerciseId: 'frog', side: null, from: 2, to: 5, sessions: 4 }]);
    expect(codes([2, 3, 4].map((s) => said(s)))).toEqual([]);
    expect(codes([3, 2, 3, 2].map((s) => said(s)))).toEqual([]);
    expect(codes([5, 4, 3, 2].map((s) => said(s)))).toEqual([]);
  });

  test('clean sets say nothing of the sensation, and old sessions are let be', () => {
    expect(codes([2, 3].flatMap((s) => [said(s), clean]).concat([said(4)]))).toEqual([]);
    expect(codes([...[2, 3, 4, 5].map((s) => said(s)), ...Array<SessionRecord>(5).fill(clean)])).toEqual([]);
  });

  test('a shape lost twice', () => {
    expect(codes([said(3, false), clean])).toEqual([]);
    expect(codes([said(3, false), clean, said(2, false)])).toEqual(['shape lost']);
  });
});

describe('alerts about the whole', () => {
  test('attendance speaks from four due sessions on, under six of ten', () => {
    expect(attendanceAlert(1, 3)).toBeNull();
    expect(attendanceAlert(2, 4)).toMatchObject({ code: 'attendance' });
    expect(attendanceAlert(6, 10)).toBeNull();
  });

  test('a plateau is told only of who came', () => {
    const measures = [0, 2, 4, 6, 8].map((week) => ({ week, value: 100 }));
    expect(plateauAlert('left', plateau({ measures, betterIs: 'higher', done: 9, due: 10, expectedPerWeek: 2 }))).toMatchObject({
      side: 'left',
      weeks: 8
    });
    expect(plateauAlert('left', plateau({ measures, betterIs: 'higher', done: 2, due: 10, expectedPerWeek: 2 }))).toBeNull();
  });
});
