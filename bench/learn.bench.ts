import { type Knowledge, NOTHING_LEARNED, taught } from '../src/core/learn/own/knowledge';
import { knownNumbers } from '../src/core/learn/own/standing';
import { aWeek, batchIn, houseFrom, numberIn, seededNormals } from '../src/core/learn/own/testKit';
import { bar } from './kit/bar';
import { median, timed } from './kit/stats';

/** What one batch more costs a house that has learned from a hundred, and from five thousand. */
const week = aWeek();
const normal = seededNormals(1);
const truth = houseFrom(week, normal);
const next = (n: number) =>
  batchIn(week[n % week.length] as (typeof week)[number], (key) => numberIn(truth, key), { n, normal });

let knowledge: Knowledge = NOTHING_LEARNED;
let n = 0;
const learnTo = (most: number): void => {
  for (; n < most; n++) ({ knowledge } = taught(knowledge, next(n)));
};
/** ms a lesson takes, median, and what is kept of all, kB. */
const costs = () => {
  const lessons = Array.from({ length: 40 }, (_, k) => next(n + k));
  return {
    ms: median(timed(40, (k) => void taught(knowledge, lessons[k] ?? next(n)))),
    kB: JSON.stringify(knowledge).length / 1000,
  };
};
learnTo(100);
costs();
const few = costs();
learnTo(5000);
const many = costs();
bar(
  'a batch more after 5000 ÷ after 100',
  many.ms / few.ms,
  { atMost: 1.5 },
  `${many.ms.toFixed(2)} and ${few.ms.toFixed(2)} ms`,
);
bar(
  'what is kept of 5000 ÷ of 100',
  many.kB / few.kB,
  { atMost: 1.2 },
  `${many.kB.toFixed(0)} and ${few.kB.toFixed(0)} kB`,
);
const numbers = knownNumbers(knowledge);
bar(
  'after 5000 batches, eight in ten of its numbers held, in ten',
  (10 * numbers.filter((x) => Math.abs(Math.log(x.by) - numberIn(truth, x.key)) < 1.2816 * x.spread).length) /
    numbers.length,
  { atLeast: 6 },
);
