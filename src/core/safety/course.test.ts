import fc from 'fast-check';
import { type Answer, beginCourse, type Course, type LimitAnswer, limitsOf, readOn, worst } from './course';
import { RULE_SETS, RULES, rulesOf } from './rules';

const MIN = 60_000;
type At = readonly [minutes: number, celsius: number];

const courseOf = (reads: readonly At[], rule: ReturnType<typeof rulesOf>, hotAt = 0): Course =>
  reads.reduce(
    (course, [minutes, celsius]) => readOn(course, { at: minutes * MIN, celsius }, rule.cooling),
    beginCourse(hotAt * MIN, rule.cooling),
  );

/**
 * The truth table of each rule: readings, the moment they are looked at, min, and what can be said of each limit. Minutes
 * count from when it was known to be hot. Sections as each rule set names them (`rules.ts`, from memory).
 */
type Row = readonly [
  row: string,
  section: string,
  reads: readonly At[],
  now: number,
  answers: readonly LimitAnswer[],
];
const fda: readonly Row[] = [
  [
    'begun, and in time at both',
    '3-501.14(A)',
    [
      [0, 57],
      [10, 56],
      [119, 21],
      [359, 5],
    ],
    400,
    ['holds', 'holds'],
  ],
  [
    'never begun: read hot to the end',
    '3-501.14(A)',
    [
      [60, 70],
      [120, 60],
    ],
    200,
    ['open', 'open'],
  ],
  [
    'never begun, and nobody read it again in time',
    '3-501.14(A)',
    [[0, 70]],
    361,
    ['cannot be told', 'cannot be told'],
  ],
  [
    'never arrives: still over the first limit after its time',
    '3-501.14(A)(1)',
    [
      [0, 60],
      [10, 50],
      [131, 30],
    ],
    132,
    ['will not', 'open'],
  ],
  [
    'never arrives, read until the end',
    '3-501.14(A)(2)',
    [
      [0, 60],
      [10, 50],
      [100, 20],
      [371, 9],
    ],
    372,
    ['holds', 'will not'],
  ],
  [
    'exactly at: 57 is not under, 21 and 5 are met, to the minute',
    '3-501.14(A)',
    [
      [0, 57],
      [10, 56.9],
      [120, 21],
      [360, 5],
    ],
    400,
    ['holds', 'holds'],
  ],
  [
    'a minute late, where the clock is known to have begun before',
    '3-501.14(A)(1)',
    [
      [0, 57],
      [0, 56.9],
      [121, 22],
      [122, 21],
    ],
    130,
    ['will not', 'open'],
  ],
  [
    'between: it may have been in time, and nobody looked',
    '3-501.14(A)(1)',
    [
      [0, 57],
      [10, 56],
      [119, 22],
      [121, 21],
    ],
    130,
    ['cannot be told', 'open'],
  ],
  [
    'hotter than the last: the clock does not move',
    '3-501.14(A)',
    [
      [0, 60],
      [10, 41],
      [20, 60],
      [131, 30],
    ],
    132,
    ['will not', 'open'],
  ],
  [
    'hotter than the last: what was met is not met any more',
    '3-501.14(A)(1)',
    [
      [0, 60],
      [10, 41],
      [60, 20],
      [70, 45],
    ],
    121,
    ['cannot be told', 'open'],
  ],
  ['no reading at all, time left', '3-501.14(A)', [], 119, ['open', 'open']],
  ['no reading at all, time gone', '3-501.14(A)', [], 121, ['cannot be told', 'open']],
  [
    'two probes that disagree: the colder begins the clock',
    '3-501.14(A)',
    [
      [0, 60],
      [10, 58],
      [10, 56],
      [131, 25],
    ],
    131,
    ['will not', 'open'],
  ],
  [
    'two probes that disagree: the warmer has to be cold',
    '3-501.14(A)',
    [
      [0, 60],
      [10, 50],
      [100, 20],
      [100, 24],
      [110, 21],
    ],
    130,
    ['holds', 'open'],
  ],
  ['first read under it long after it was hot', '3-501.14(A)', [[170, 20]], 171, ['cannot be told', 'open']],
];
const uk: readonly Row[] = [
  [
    'begun under 63, cold within 90 minutes by guidance',
    'guidance',
    [
      [0, 63],
      [5, 62],
      [90, 8],
    ],
    100,
    ['holds'],
  ],
  [
    'exactly at 63 the clock has not begun',
    'guidance',
    [
      [0, 70],
      [30, 63],
    ],
    60,
    ['open'],
  ],
  [
    'over 8 after 90 minutes',
    'guidance',
    [
      [0, 63],
      [5, 62],
      [96, 9],
    ],
    97,
    ['will not'],
  ],
];
const canada: readonly Row[] = [
  [
    '60 to 20 in two hours, to 4 in six in all',
    '3.3',
    [
      [0, 60],
      [1, 59],
      [120, 20],
      [360, 4],
    ],
    400,
    ['holds', 'holds'],
  ],
  [
    'at 5 it is not cold yet',
    '3.3',
    [
      [0, 60],
      [1, 59],
      [120, 20],
      [362, 5],
    ],
    363,
    ['holds', 'will not'],
  ],
];
const anz: readonly Row[] = [
  [
    '60 to 21 in two hours, to 5 in six in all',
    'clause 7(3)',
    [
      [0, 60],
      [1, 59],
      [120, 21],
      [360, 5],
    ],
    400,
    ['holds', 'holds'],
  ],
  [
    '22 after two hours',
    'clause 7(3)',
    [
      [0, 60],
      [1, 59],
      [122, 22],
    ],
    123,
    ['will not', 'open'],
  ],
];
const eu: readonly Row[] = [
  [
    '63 to 10 in two hours, to 5 in six in all',
    'common practice',
    [
      [0, 63],
      [1, 62],
      [120, 10],
      [360, 5],
    ],
    400,
    ['holds', 'holds'],
  ],
  [
    '11 after two hours',
    'common practice',
    [
      [0, 63],
      [1, 62],
      [122, 11],
    ],
    123,
    ['will not', 'open'],
  ],
];
const tables = { fda, uk, canada, anz, eu };

describe.each(RULE_SETS)('the truth table of %s', (set) => {
  const rule = rulesOf(set);
  test.each(tables[set].map((r) => [...r] as const))('%s (%s)', (_row, section, reads, now, answers) => {
    expect(limitsOf(courseOf(reads, rule), now * MIN).map((l) => l.answer)).toEqual(answers);
    // Each row names where it stands.
    const source = RULES[set].cooling.source.text;
    const guided = section === 'guidance' || section === 'common practice';
    expect(source).toContain(guided ? section : (section.match(/^[\d.-]+|clause 7\(3\)/)?.[0] ?? '?'));
  });
});

test('what a kitchen asks beyond the rule counts as the rule does: a quarter less time, and colder', () => {
  const rule = rulesOf('fda', { cooling: 0.75, cold: 3 });
  const reads: At[] = [
    [0, 57],
    [1, 56],
    [90, 21],
    [270, 3],
  ];
  expect(limitsOf(courseOf(reads, rule), 400 * MIN).map((l) => l.answer)).toEqual(['holds', 'holds']);
  const later: At[] = [
    [0, 57],
    [1, 56],
    [92, 21],
    [270, 4],
  ];
  expect(limitsOf(courseOf(later, rule), 400 * MIN).map((l) => l.answer)).toEqual([
    'cannot be told',
    'cannot be told',
  ]);
});

test('its time is counted from the earliest the clock can have begun', () => {
  const limits = limitsOf(
    courseOf(
      [
        [0, 80],
        [20, 70],
        [40, 50],
      ],
      rulesOf('fda'),
    ),
    41 * MIN,
  );
  expect(limits.map((l) => l.by / MIN)).toEqual([140, 380]);
});

test('on the minute: met then it holds, over it then it was not kept, a minute before nobody can tell', () => {
  const at = (minutes: number, celsius: number) =>
    limitsOf(
      courseOf(
        [
          [0, 57],
          [1, 56],
          [minutes, celsius],
        ],
        rulesOf('fda'),
      ),
      200 * MIN,
    )[0]?.answer;
  expect([at(120, 21), at(121, 21)]).toEqual(['holds', 'cannot be told']);
  expect([at(120, 22), at(121, 22)]).toEqual(['cannot be told', 'will not']);
});

test('the worst of several counts: known before untold, untold before open', () => {
  expect(worst(['holds', 'open', 'cannot be told', 'will not'])).toBe('will not');
  expect(worst(['holds', 'open', 'cannot be told'])).toBe('cannot be told');
  expect(worst(['holds', 'open'])).toBe('open');
  expect(worst([])).toBe('holds');
});

describe('never better for being hotter, later or less read', () => {
  const rule = rulesOf('fda');
  const reads = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 420 }), fc.integer({ min: 0, max: 95 })), {
      minLength: 1,
      maxLength: 9,
    })
    .map((r) => r.toSorted((a, b) => a[0] - b[0]) as At[]);
  const NOW = 430;
  const green = (answers: readonly LimitAnswer[]) => answers.map((a) => a === 'holds');
  const answers = (r: readonly At[], now = NOW): readonly LimitAnswer[] =>
    limitsOf(courseOf(r, rule), now * MIN).map((l) => l.answer);
  /** Nothing is green after that was not before. */
  const noGreener = (before: readonly LimitAnswer[], after: readonly LimitAnswer[]) =>
    expect(green(after).filter((is, n) => is && !green(before)[n])).toEqual([]);

  test('hotter, once its clock has begun', () => {
    fc.assert(
      fc.property(reads, fc.nat(8), fc.integer({ min: 1, max: 60 }), (r, n, by) => {
        const began = r.findIndex(([, c]) => c < 57);
        const i = began + 1 + (n % Math.max(1, r.length - began - 1));
        fc.pre(began >= 0 && i < r.length);
        noGreener(answers(r), answers(r.map(([m, c], k) => (k === i ? [m, c + by] : [m, c]))));
      }),
      { numRuns: 2000 },
    );
  });
  test('less read: any reading left out that spoke for it', () => {
    fc.assert(
      fc.property(reads, fc.nat(8), (r, n) => {
        const i = n % r.length;
        const began = r.findIndex(([, c]) => c < 57);
        const [, celsius] = r[i] as At;
        const [before, after] = [answers(r), answers(r.filter((_, k) => k !== i))];
        rule.cooling.stages.forEach(({ to }, k) => {
          // What was over a limit, and what began the clock, speaks against it; hot before, or cold after, it speaks for it.
          const spoke = (celsius <= to && i > began) || (celsius >= 57 && (began < 0 || i < began));
          expect(spoke && after[k] === 'holds' && before[k] !== 'holds').toBe(false);
        });
      }),
      { numRuns: 2000 },
    );
  });
  test('later: all that was read after the clock began, by as much', () => {
    fc.assert(
      fc.property(reads, fc.integer({ min: 1, max: 120 }), (r, by) => {
        const began = r.findIndex(([, c]) => c < 57);
        fc.pre(began >= 0);
        noGreener(
          answers(r, 600),
          answers(
            r.map(([m, c], k) => (k > began ? [m + by, c] : [m, c])),
            600,
          ),
        );
      }),
      { numRuns: 2000 },
    );
  });
  test('looked at later, nothing that was missed is mended', () => {
    fc.assert(
      fc.property(reads, fc.integer({ min: 0, max: 300 }), (r, more) => {
        const bad = (a: LimitAnswer): a is Answer => a === 'will not' || a === 'cannot be told';
        const [early, late] = [answers(r, NOW), answers(r, NOW + more)];
        expect(late.filter(bad).length).toBeGreaterThanOrEqual(early.filter(bad).length);
        early.forEach((a, k) => {
          if (bad(a)) expect(bad(late[k] ?? 'open')).toBe(true);
        });
      }),
    );
  });
});
