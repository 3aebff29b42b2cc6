import { inEnglish } from '../text/inWords';
import { batchAwayWords, daysAwayWords, leftOutWords } from './awayWords';

test('days put away are said from when to when, and without a beginning where they have none', () => {
  const away = { to: '2026-03-31', file: 'march.json' };
  expect(inEnglish(daysAwayWords({ ...away, from: '2026-03-01' }))).toMatch(
    /received from .*1.* to .*31.* are put away in march\.json/,
  );
  expect(inEnglish(daysAwayWords({ ...away, from: null }))).toMatch(/received before .*31.* are put away/);
});

test('a batch put away counts the lines of all its files and names each', () => {
  const said = inEnglish(
    batchAwayWords([
      { file: 'march.json', lines: 40 },
      { file: 'april.json', lines: 2 },
    ]),
  );
  expect(said).toMatch(/^42 lines of its record, in march\.json, april\.json\./);
  expect(inEnglish(batchAwayWords([{ file: 'march.json', lines: 1 }]))).toMatch(/^One line of its record/);
});

test('one batch left out, or several, is said in its number', () => {
  expect(inEnglish(leftOutWords(1))).toMatch(/^leave out one batch, whose lines are put away/);
  expect(inEnglish(leftOutWords(3))).toMatch(/^leave out 3 batches, whose lines are put away/);
});
