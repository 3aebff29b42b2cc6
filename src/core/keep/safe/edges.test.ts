import { demoHouse } from '../../../../demo/demo';
import { rulesOf } from '../../safety/rules';
import { inEnglish } from '../../text/inWords';
import type { KeepEvent } from '../events';
import { pansTo as cool, line, lotOf, PUT as put, putBy, read, START, WELL as well } from '../testKit';
import { dateMark } from '../written/dates';
import { lotState } from './fold';
import { judge } from './judged';

const house = demoHouse();
const keeping = { ...house.keeping, rules: 'fda' as const, tightened: {} };
const rule = rulesOf('fda');
const at = (minutes: number) => START + minutes * 60_000;
const state = (...events: readonly KeepEvent[]) => {
  const found = lotState(lotOf(...events), keeping);
  if (!found) throw new Error('nothing is put by');
  return found;
};
const kinds = (events: readonly KeepEvent[], now: number) =>
  judge(state(...events), rule, at(now)).deviations.map((d) => d.kind);
const hot = line(0, putBy({ place: 'bath' }));
const OTHER = '00000000-0000-4000-8000-000000000002';
const moved = (minutes: number, place: string) => line(minutes, { kind: 'moved', place });

describe('to the degree and the minute', () => {
  test('two degrees hotter may be another place in the pan, more is a question', () => {
    expect(kinds([put, read(1, 84), read(20, 41), read(25, 43)], 26)).toEqual([]);
    expect(kinds([put, read(1, 84), read(20, 41), read(25, 43.1)], 26)).toEqual(['warmer']);
    // While it is hot it is stirred and turned up: nothing to ask.
    expect(kinds([put, read(1, 70), read(20, 84)], 26)).toEqual([]);
  });
  test('thawed is over 0 °C', () => {
    const frozen = [line(0, putBy({ place: 'freezer' })), moved(100, 'fridge')];
    expect(state(...frozen, read(200, 0)).stage).toBe('thawing');
    expect(state(...frozen, read(200, 0.05)).stage).toBe('cold');
  });
  test('out of the cold for four hours between two good readings is kept, a minute more is not', () => {
    const over = (minutes: number) => [...well, read(300, 4), read(310, 8), read(300 + minutes, 4)];
    expect(judge(state(...over(240)), rule, at(600)).answer).toBe('holds');
    expect(judge(state(...over(241)), rule, at(600)).answer).toBe('will not');
    // One deviation for one stretch, however often it is read in it.
    expect(kinds([...well, read(300, 4), read(310, 8), read(320, 9), read(330, 4)], 340)).toEqual(['cold']);
    expect(
      kinds([...well, read(300, 4), read(310, 8), read(320, 4), read(330, 8), read(340, 4)], 341),
    ).toEqual(['cold', 'cold']);
  });
  test('on the pass unread for four hours is kept, a minute more cannot be told', () => {
    expect(kinds([hot, read(10, 72), read(250, 70)], 251)).toEqual([]);
    expect(kinds([hot, read(10, 72), read(251, 70)], 252)).toEqual(['hot']);
    expect(kinds([hot, read(240, 70)], 241)).toEqual([]);
    expect(kinds([hot, read(241, 70)], 242)).toEqual(['hot']);
  });
  test('read hot ten minutes before it is kept hot again, its clock has not begun; eleven before, it may have', () => {
    const again = (minutes: number, celsius = 70) => [
      put,
      read(10, celsius),
      line(10 + minutes, { kind: 'kept hot', place: 'bath', lid: true }),
    ];
    expect(kinds(again(10), 30)).toEqual([]);
    expect(kinds(again(11), 30)).toEqual(['kept hot again']);
    expect(kinds(again(10, 56), 30)).toEqual(['kept hot again']);
    expect(state(...again(11)).course.clock).toEqual({ earliest: at(10), latest: Number.POSITIVE_INFINITY });
    expect(state(...again(10)).course.clock).toBeNull();
  });
  test('from one hot place to another nothing is begun', () => {
    const on = [hot, read(10, 72), line(40, { kind: 'kept hot', place: 'ring', lid: false })];
    expect(kinds(on, 41)).toEqual([]);
    expect(state(...on)).toMatchObject({ stage: 'hot', since: at(0), under: null });
  });
});

describe('on the pass', () => {
  test('under its limit it stays by its last reading, and since the last that was not', () => {
    const s = state(hot, read(10, 72), read(40, 56), read(50, 52), read(60, 66));
    expect(s.under).toEqual({ since: at(10), first: at(40), last: at(50), celsius: 66 });
    expect(state(hot, read(10, 57)).under).toBeNull();
    // What was read before it stood there does not count for it.
    expect(
      state(put, read(5, 80), line(8, { kind: 'kept hot', place: 'bath', lid: true }), read(30, 50)).under
        ?.since,
    ).toBe(at(8));
  });
  test('cold into the bath is against the rule and under its limit from then on', () => {
    const s = state(line(0, putBy({ place: 'fridge' })), moved(10, 'bath'));
    expect(s.deviations.map((d) => d.kind)).toEqual(['kept hot again']);
    expect(s.under).not.toBeNull();
  });
  test('put by on the pass below its limit it is under it at once', () => {
    expect(state(line(0, putBy({ place: 'bath', celsius: 50 }))).under).toMatchObject({ celsius: 50 });
    expect(state(line(0, putBy({ place: 'bath', celsius: 60 }))).under).toBeNull();
  });
});

describe('frozen', () => {
  test('each stretch begins as it goes in and ends as it comes out', () => {
    const s = state(
      ...well,
      moved(300, 'freezer'),
      moved(400, 'fridge'),
      read(500, 2),
      moved(600, 'freezer'),
    );
    expect(s.frozen).toEqual([
      { from: at(300), to: at(400) },
      { from: at(600), to: null },
    ]);
    expect(s).toMatchObject({ stage: 'frozen', since: at(600) });
    expect(dateMark(s, rule, at(700)).why).toBe('frozen');
    // Used up it is frozen no more.
    expect(state(...well, moved(300, 'freezer'), line(350, { kind: 'used up' })).frozen).toEqual([
      { from: at(300), to: at(350) },
    ]);
    // From one freezer shelf to another it stays one stretch.
    expect(state(...well, moved(300, 'freezer'), moved(320, 'freezer')).frozen).toEqual([
      { from: at(300), to: null },
    ]);
  });
  test('out of the freezer onto the worktop nobody knows how warm it got', () => {
    const s = state(...well, moved(300, 'freezer'), moved(400, 'worktop'), moved(500, 'fridge'));
    expect(s.stage).toBe('cooling');
    expect(judge(s, rule, at(501)).answer).toBe('cannot be told');
    const bought = state(line(0, putBy({ place: 'freezer' })), moved(100, 'worktop'), moved(700, 'fridge'));
    expect(bought.stage).toBe('cooling');
    expect(dateMark(bought, rule, at(701)).useBy).toBeNull();
  });
});

describe('how long a stage has lasted', () => {
  test('it counts from when it began, and not from every line', () => {
    expect(state(put, read(10, 80), line(20, cool('blast')), read(30, 70)).since).toBe(at(0));
    expect(state(...well, read(300, 4)).since).toBe(at(201));
    expect(state(...well, moved(400, 'freezer')).since).toBe(at(400));
  });
});

test('what went against a rule names what was read before it, and the deviations stand by time', () => {
  const s = judge(
    state(put, read(1, 60), line(2, { kind: 'cooled', place: 'fridge' }), read(200, 30)),
    rule,
    at(201),
  );
  expect(s.deviations.map((d) => [d.kind, d.celsius])).toEqual([
    ['stored warm', 60],
    ['cooling', 60],
  ]);
  expect(s.deviations.map((d) => d.at)).toEqual([at(2), at(121)]);
});

test('reheated in time: what was missed before is kept on record, once; what was not is not', () => {
  const brought = (minutes: number): KeepEvent =>
    line(minutes, { kind: 'reheated', celsius: 80, seconds: 20 });
  expect(kinds([put, read(1, 80), read(30, 50), read(100, 40), brought(110)], 400)).toEqual([]);
  expect(kinds([put, read(1, 80), read(30, 50), read(152, 40), brought(160)], 400)).toEqual(['cooling']);
  // Hot on the pass all along, nothing of it was cooling.
  expect(kinds([hot, read(100, 70), read(200, 65), brought(210)], 220)).toEqual([]);
  // Too long under the limit there is missed too.
  expect(kinds([hot, read(10, 70), read(60, 50), brought(150)], 160)).toEqual(['cooling', 'hot']);
  // Never read again as it cooled: whether it kept its limit nobody can tell, and reheating does not say.
  expect(kinds([put, read(1, 84), line(2, cool('blast')), brought(500)], 501)).toEqual([
    'cooling',
    'cooling',
  ]);
  // On the pass nothing is cooling, however long nobody reads it; bought in cold, nothing ever was.
  expect(kinds([hot, read(5, 72), brought(400)], 401)).toEqual(['hot']);
  expect(kinds([hot, read(5, 72), brought(245)], 246)).toEqual([]);
  // What it went against before is not said twice.
  expect(kinds([hot, read(5, 72), read(300, 70), brought(310)], 311)).toEqual(['hot']);
  expect(kinds([line(0, putBy({ place: 'fridge' })), brought(600)], 601)).toEqual([]);
  // In more than two hours on the burner.
  const cold = [...well, line(1500, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' })];
  expect(kinds([...cold, brought(1620)], 1621)).toEqual([]);
  expect(kinds([...cold, brought(1621)], 1622)).toEqual(['reheating']);
});

test('used all the same, it is said whether it was to be thrown away or nobody can tell', () => {
  const used = (...events: readonly KeepEvent[]) => {
    const s = state(...events, line(400, { kind: 'taken', ml: 500 }));
    return s.deviations.filter((d) => d.kind === 'used all the same').map((d) => inEnglish(d.says));
  };
  const slow = [put, read(1, 84), read(30, 56), read(300, 40)];
  expect(used(...slow)).toEqual(['used though it was to be thrown away']);
  const unread = [put, read(1, 84), read(30, 56), read(300, 4)];
  expect(used(...unread)).toEqual(['used though nobody can tell whether it was kept within the rule']);
  expect(used(...well)).toEqual([]);
});

test('a probe is in it until it is taken out', () => {
  const paired = line(5, { kind: 'paired', device: 'probe-2', name: 'Probe 2' });
  expect(state(put, paired).paired).toEqual({ device: 'probe-2', name: 'Probe 2' });
  expect(state(put, line(5, { kind: 'paired', device: 'probe-2' })).paired?.name).toBe('probe-2');
  expect(state(put, paired, line(6, { kind: 'paired', device: null })).paired).toBeNull();
});

test('what was written before it was put by, or after and of another time, does not count; each line is seen once', () => {
  const seen: string[] = [];
  const s = lotState(lotOf(read(-5, 20), put, read(5, 80)), keeping, (e) => seen.push(e.body.kind));
  expect(s?.readings.map((r) => r.celsius)).toEqual([80]);
  expect(seen).toEqual(['put by', 'temperature']);
});

test('put by where it is cold before it is, it cools there under its lid; on the worktop it stands open', () => {
  const warm = state(line(0, putBy({ place: 'fridge', celsius: 60 })));
  expect([warm.stage, warm.lid]).toEqual(['cooling', true]);
  expect(state(line(0, putBy({ place: 'worktop' }))).lid).toBe(false);
  // It rests there once it is read cold; on the worktop nothing rests.
  const later = [read(30, 50), read(80, 20), read(200, 4)] as const;
  expect(state(line(0, putBy({ place: 'fridge', celsius: 60 })), ...later).stage).toBe('cold');
  expect(state(line(0, putBy({ place: 'worktop', celsius: 60 })), ...later).stage).toBe('cooling');
});

test('parted from what is hot onto the pass nothing is asked; from what is cold, it was not reheated', () => {
  const parted = (from: readonly KeepEvent[], minutes: number) =>
    lotState({ id: OTHER, events: [line(minutes, putBy({ place: 'bath' }))], from: lotOf(...from) }, keeping);
  const off = parted([hot, read(10, 72)], 15);
  expect([off?.stage, off?.deviations.map((d) => d.kind), off?.under]).toEqual(['hot', [], null]);
  const cold = parted(well, 400);
  expect([cold?.stage, cold?.deviations.map((d) => d.kind)]).toEqual(['hot', ['kept hot again']]);
  expect(cold?.under).not.toBeNull();
});
