import { demoHouse } from '../../../../demo/demo';
import { type RuleSetId, rulesOf } from '../../safety/rules';
import { inEnglish } from '../../text/inWords';
import type { KeepEvent } from '../events';
import type { Lot } from '../lot';
import { line, lotOf, pansTo as pans, PUT as put, putBy, read, START, WELL as well } from '../testKit';
import { dateMark } from '../written/dates';
import { labelOf } from '../written/labels';
import { wouldGoAgainst } from './against';
import { lotState } from './fold';
import { judge, openDeviations } from './judged';

const house = demoHouse();
const at = (minutes: number) => START + minutes * 60_000;

/** A kitchen with `rules`, as they are. */
const keepingOf = (rules: RuleSetId) => ({ ...house.keeping, rules, tightened: {} });

const judged = (now: number, events: readonly KeepEvent[], rules: RuleSetId = 'fda', from?: Lot) => {
  const keeping = keepingOf(rules);
  const state = lotState({ ...lotOf(...events), ...(from && { from }) }, keeping);
  if (!state) throw new Error('nothing is put by');
  const rule = rulesOf(rules);
  return {
    state,
    ...judge(state, rule, at(now)),
    mark: dateMark(state, rule, at(now)),
    label: labelOf(state, { ...house, keeping }, at(now)),
  };
};

const hot = line(0, putBy({ place: 'bath' }));
const cooled = (minutes: number, place = 'fridge') => line(minutes, { kind: 'cooled', place });

/** The truth table of what is kept, each row with the section it follows. Minutes from when it was put by. */
type Row = readonly [
  row: string,
  section: string,
  events: readonly KeepEvent[],
  now: number,
  answer: string,
  kinds: readonly string[],
];
const rows: readonly Row[] = [
  ['kept every limit, read at each', '3-501.14', well, 300, 'holds', []],
  ['still hot', '3-501.14', [put, read(1, 84)], 100, 'open', []],
  ['has time left', '3-501.14', [put, read(1, 84), read(30, 50)], 100, 'open', []],
  ['never read, time gone', '3-501.14', [put, line(2, pans('blast'))], 130, 'cannot be told', ['cooling']],
  [
    'read too warm after its time',
    '3-501.14',
    [put, read(1, 84), read(30, 50), read(155, 30)],
    156,
    'will not',
    ['cooling'],
  ],
  [
    'stands at 26 °C for ever',
    '3-501.14',
    [put, read(1, 60), read(20, 55), read(90, 26), read(500, 26)],
    501,
    'will not',
    ['cooling', 'cooling'],
  ],
  ['60 °C, then put away', '3-501.14, 3-501.16', [put, read(1, 60), cooled(2)], 10, 'open', ['stored warm']],
  ['put away without a reading', '3-501.14, 3-501.16', [put, cooled(2)], 10, 'open', ['stored warm']],
  [
    'and put into the freezer so',
    '3-501.14',
    [put, read(1, 60), cooled(2, 'freezer')],
    130,
    'cannot be told',
    ['stored warm', 'cooling'],
  ],
  [
    '41 °C, then 60: the limit does not move',
    '3-501.14',
    [put, read(1, 80), read(20, 41), read(40, 60), read(145, 30)],
    146,
    'will not',
    ['warmer', 'cooling'],
  ],
  [
    'reheated to the figure in time, another course',
    '3-501.14, 3-403.11',
    [
      put,
      read(1, 80),
      read(60, 40),
      line(90, { kind: 'reheated', celsius: 75, seconds: 15 }),
      line(91, pans('blast')),
      read(100, 50),
      read(180, 20),
      read(300, 4),
      cooled(301),
    ],
    400,
    'holds',
    [],
  ],
  [
    'reheated after its time was gone',
    '3-501.14, 3-403.11',
    [
      put,
      read(1, 80),
      read(60, 40),
      line(122, { kind: 'reheated', celsius: 75, seconds: 15 }),
      line(123, pans('blast')),
      read(130, 50),
      read(200, 20),
      read(300, 4),
      cooled(301),
    ],
    400,
    'cannot be told',
    ['cooling'],
  ],
  [
    'reheated short of the figure: nothing ended',
    '3-403.11',
    [
      put,
      read(1, 80),
      read(60, 40),
      line(70, { kind: 'reheated', celsius: 70, seconds: 15 }),
      line(71, pans('blast')),
      read(130, 15),
      read(300, 4),
      cooled(301),
    ],
    400,
    'cannot be told',
    ['cooling', 'reheating'],
  ],
  [
    'reheated for too short',
    '3-403.11',
    [put, read(1, 80), read(60, 40), line(70, { kind: 'reheated', celsius: 80, seconds: 5 })],
    80,
    'open',
    ['reheating'],
  ],
  [
    'a reading taken back was never',
    '3-501.14',
    (() => {
      const slip = read(155, 30);
      return [
        put,
        read(1, 84),
        read(30, 50),
        read(100, 20),
        slip,
        line(156, { kind: 'withdrawn', event: slip.id, why: 'wrong pan' }),
        read(300, 4),
        cooled(301),
      ];
    })(),
    400,
    'holds',
    [],
  ],
  [
    'a taking back taken back counts again',
    '3-501.14',
    (() => {
      const slip = read(155, 30);
      const back = line(156, { kind: 'withdrawn', event: slip.id });
      return [put, read(1, 84), read(30, 50), slip, back, line(157, { kind: 'withdrawn', event: back.id })];
    })(),
    400,
    'will not',
    ['cooling', 'cooling'],
  ],
  [
    'a station whose clock ran ahead: not before the server had it',
    '3-501.14',
    [
      put,
      read(1, 57),
      read(5, 50),
      line(200, { kind: 'temperature', celsius: 20 }, { receivedAt: new Date(at(100)).toISOString() }),
    ],
    110,
    'open',
    [],
  ],
  [
    'a clock that was put right: by the time it says',
    '3-501.14',
    [
      put,
      read(1, 57),
      read(5, 50),
      line(
        110,
        { kind: 'temperature', celsius: 20 },
        { clockMs: 7_200_000, receivedAt: new Date(at(140)).toISOString() },
      ),
    ],
    150,
    'open',
    [],
  ],
  [
    'pans joined into one pot go on as they were',
    '3-501.14',
    [
      ...[put, read(1, 84), line(2, pans('worktop')), read(30, 50)],
      line(60, {
        kind: 'set to cool',
        way: { into: { kind: 'pot', vessel: 'middle-28' }, place: 'cold-room' },
      }),
      read(155, 30),
    ],
    156,
    'will not',
    ['cooling'],
  ],
  [
    'kept hot again at 50 without being reheated',
    '3-501.16, 3-403.11',
    [put, read(1, 80), read(30, 50), line(40, { kind: 'kept hot', place: 'bath', lid: true }), read(60, 70)],
    70,
    'open',
    ['kept hot again'],
  ],
  [
    'and two hours later',
    '3-501.16',
    [put, read(1, 80), read(30, 50), line(40, { kind: 'kept hot', place: 'bath', lid: true }), read(60, 70)],
    125,
    'cannot be told',
    ['kept hot again', 'hot'],
  ],
  ['on the pass, as it should be', '3-501.16', [hot, read(10, 72), read(70, 60)], 80, 'open', []],
  [
    'under the limit on the pass for two hours',
    '3-501.16',
    [hot, read(10, 72), read(70, 50), read(195, 50)],
    196,
    'will not',
    ['hot'],
  ],
  [
    'on the pass with nobody looking for five hours',
    '3-501.16, 3-501.19',
    [hot, read(10, 72), read(310, 70)],
    311,
    'cannot be told',
    ['hot'],
  ],
  [
    'hot on the pass, then cooled: the clock begins when it was last read hot',
    '3-501.14',
    [
      hot,
      read(10, 72),
      read(60, 66),
      line(61, pans('blast')),
      read(90, 50),
      read(175, 20),
      read(300, 4),
      cooled(301),
    ],
    400,
    'holds',
    [],
  ],
  ['over the limit on the shelf', '3-501.16', [...well, read(400, 9)], 401, 'will not', ['cold']],
  [
    'over it for less than four hours between two readings',
    '3-501.16, 3-501.19',
    [...well, read(390, 4), read(400, 9), read(420, 4)],
    421,
    'holds',
    ['cold'],
  ],
  [
    'over it, and nobody knows for how long',
    '3-501.16, 3-501.19',
    [...well, read(1000, 9), read(1020, 4)],
    1021,
    'will not',
    ['cold'],
  ],
  [
    'onto the worktop and back into the cold',
    '3-501.14',
    [...well, line(500, { kind: 'moved', place: 'worktop' }), line(700, { kind: 'moved', place: 'fridge' })],
    701,
    'cannot be told',
    ['stored warm', 'cooling', 'cooling'],
  ],
  [
    'set to reheat, and cooled again without',
    '3-403.11',
    [...well, line(500, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' }), cooled(530)],
    531,
    'cannot be told',
    ['cooling', 'cooling', 'stored warm'],
  ],
  [
    'put by cold by hand: nobody here knows how it cooled',
    '3-501.14',
    [line(0, putBy({ place: 'fridge' }))],
    10,
    'cannot be told',
    [],
  ],
  [
    'put by by hand at 40 °C, made three hours before',
    '3-501.14',
    [line(0, putBy({ place: 'fridge', celsius: 40, madeAt: new Date(at(-180)).toISOString() }))],
    1,
    'cannot be told',
    ['cooling'],
  ],
  [
    'out of a batch, straight into the fridge',
    '3-501.14',
    [line(0, putBy({ place: 'fridge', batch: '00000000-0000-4000-8000-0000000000ff' }))],
    10,
    'open',
    [],
  ],
];

describe('the truth table of what is kept', () => {
  test.each(rows.map((r) => [...r] as const))('%s (%s)', (_row, _section, events, now, answer, kinds) => {
    const found = judged(now, events);
    expect(found.answer).toBe(answer);
    expect(found.deviations.map((d) => d.kind).toSorted()).toEqual([...kinds].toSorted());
    // Dated without a condition only where it holds, or was never hot here.
    const dated = found.mark.useBy !== null && found.mark.ifCold === null;
    expect(dated).toBe(answer === 'holds' || !found.state.wasHot);
    expect(found.label.useBy).toBe(found.mark.useBy);
    expect(found.label.undated).toBe(found.mark.why);
    expect(found.label.deviations).toHaveLength(kinds.length);
  });
});

test('where a rule gives a grace on the pass once, its clock begins as it leaves within it', () => {
  const events = [hot, read(10, 72), read(70, 55), line(100, pans('blast')), read(188, 8), cooled(190)];
  expect(judged(200, events, 'uk').answer).toBe('holds');
  // Past the grace, or where there is none, it began when it was last read hot.
  const late = [hot, read(10, 72), read(70, 55), line(140, pans('blast')), read(220, 8), cooled(221)];
  expect(judged(230, late, 'uk').answer).toBe('cannot be told');
  expect(judged(200, events, 'eu').answer).not.toBe('holds');
});

test('a part is judged by what it was parted from, also by what was taken back there later', () => {
  const parent = lotOf(put, read(1, 84), read(30, 50), read(155, 30));
  const part = [
    line(160, putBy({ place: 'fridge', from: parent.id, madeAt: new Date(START).toISOString() })),
  ];
  const found = judged(170, part, 'fda', parent);
  expect(found.answer).toBe('will not');
  expect(found.mark.why).toBe('not within the rule');
  expect(found.state.stage).toBe('cooling');
  const slip = parent.events[3] as KeepEvent;
  const mended = {
    ...parent,
    events: [...parent.events, read(100, 20), line(165, { kind: 'withdrawn', event: slip.id })],
  };
  expect(judged(170, part, 'fda', mended).answer).toBe('open');
  // What happens to the parent afterwards is not the part's.
  const after = {
    ...mended,
    events: [...mended.events, line(168, { kind: 'thrown away', ml: 8000, why: 'spoilt' })],
  };
  expect(judged(170, part, 'fda', after).state.over).toBeNull();
});

test('what is stored warm stands as cooling, where it is, until it is read cold there', () => {
  const { state } = judged(10, [put, read(1, 60), cooled(2)]);
  expect(state).toMatchObject({ stage: 'cooling', place: 'fridge', cooledAt: null });
  expect(state.way?.place).toBe('fridge');
  const cold = judged(300, [put, read(1, 60), cooled(2), read(30, 50), read(100, 20), read(290, 4)]);
  expect(cold.state).toMatchObject({ stage: 'cold', cooledAt: at(290) });
  const frozen = judged(300, [
    put,
    read(1, 60),
    cooled(2, 'freezer'),
    read(30, 50),
    read(100, 20),
    read(290, 4),
  ]);
  expect(frozen.state).toMatchObject({ stage: 'frozen', frozen: [{ from: at(290), to: null }] });
});

test('moved hot into the fridge it is not cold: it goes on cooling there', () => {
  const { state, deviations } = judged(10, [hot, read(1, 70), line(2, { kind: 'moved', place: 'fridge' })]);
  expect(state.stage).toBe('cooling');
  expect(state.coolingFrom).toBe(at(2));
  expect(deviations.map((d) => d.kind)).toEqual(['stored warm']);
});

test('what was done about a deviation stands with it; thrown away answers all', () => {
  const storing = cooled(2);
  const events = [put, read(1, 60), storing];
  const [open] = openDeviations(judged(10, events));
  expect(open && inEnglish(open.says)).toBe('stored at 60.0 °C, over 5 °C');
  const said = line(3, { kind: 'put right', what: 'walk-in was full', about: open?.id ?? '' });
  const answered = judged(10, [...events, said]);
  expect(openDeviations(answered)).toEqual([]);
  expect(answered.deviations[0]?.done).toEqual({ what: 'walk-in was full', by: 'Closer', at: at(3) });
  expect(answered.label.deviations.map((d) => inEnglish(d))).toEqual([
    'stored at 60.0 °C, over 5 °C; walk-in was full',
  ]);
  const thrown = judged(200, [
    ...events,
    line(150, { kind: 'thrown away', ml: 8000, why: 'cooled too slowly' }),
  ]);
  expect(thrown.deviations.map((d) => d.done?.what)).toEqual(['thrown away', 'thrown away']);
  // What is over is judged as it was then: no limit goes by afterwards.
  expect(judged(9000, [...events, line(20, { kind: 'used up' })]).deviations.map((d) => d.kind)).toEqual([
    'stored warm',
  ]);
});

test('used past its date, or though it was to be thrown away, the record says so', () => {
  const kept = line(0, putBy({ place: 'fridge' }));
  const day = 1440;
  const used = (events: readonly KeepEvent[], now: number) =>
    judged(now, events).deviations.map((d) => d.kind);
  expect(used([kept, line(6 * day, { kind: 'taken', ml: 500 })], 6 * day)).toEqual([]);
  expect(used([kept, line(7 * day, { kind: 'taken', ml: 500 })], 7 * day)).toEqual(['date']);
  const lost = [put, read(1, 84), read(30, 50), read(155, 30)];
  expect(used([...lost, line(160, { kind: 'taken', ml: 500 })], 161)).toContain('used all the same');
  expect(used([...lost, line(160, { kind: 'thrown away', ml: 8000, why: 'spoilt' })], 161)).toEqual([
    'cooling',
  ]);
});

test('before it is written, a line says what it would go against, and writes nothing', () => {
  const lot = lotOf(put, read(1, 60));
  const against = wouldGoAgainst(lot, house.keeping, { kind: 'cooled', place: 'fridge' }, at(2));
  expect(against.map((d) => d.kind)).toEqual(['stored warm']);
  expect(wouldGoAgainst(lot, house.keeping, { kind: 'temperature', celsius: 55 }, at(2))).toEqual([]);
  expect(
    wouldGoAgainst(
      lotOf(put, read(1, 60), read(20, 41)),
      house.keeping,
      { kind: 'temperature', celsius: 60 },
      at(30),
    ).map((d) => d.kind),
  ).toEqual(['warmer']);
  expect(lot.events).toHaveLength(2);
});

test('a date is given on a condition while it still has to be read cold, by when its clock says', () => {
  expect(judged(40, [put, read(1, 84), read(30, 50)]).mark).toMatchObject({
    why: null,
    ifCold: { to: 5, by: at(361) },
  });
  expect(judged(5, [hot]).mark.ifCold).toEqual({ to: 5, by: null });
});
