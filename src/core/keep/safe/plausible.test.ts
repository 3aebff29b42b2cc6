import { demoHouse } from '../../../../demo/demo';
import { inEnglish } from '../../text/inWords';
import { line, lotOf, putBy, read, START } from '../testKit';
import { lotState } from './fold';
import { askedOfKept } from './plausible';

const { keeping } = demoHouse();
const state = lotState(lotOf(line(0, putBy()), read(10, 70)), keeping);
if (!state) throw new Error('it is put by');
const asked = (minutes: number, celsius: number, expected: number | null = null) => {
  const found = askedOfKept(state, celsius, START + minutes * 60_000, expected);
  return found && inEnglish(found);
};

test('a cold reading of the wrong pan is asked about before it calls a hot soup safe', () => {
  expect(asked(15, 4)).toBe('4.0 °C, 5 min after 70.0 °C: the right pan, the right probe?');
  expect(asked(15, 48)).toBeNull();
  expect(asked(90, 4)).toBeNull();
});

test('ten degrees at once, and two and a half a minute, are let be; a tenth more is asked about', () => {
  expect([asked(10, 60), asked(10, 59.9)].map((a) => a === null)).toEqual([true, false]);
  expect([asked(20, 35), asked(20, 34.9)].map((a) => a === null)).toEqual([true, false]);
  // Read in the wrong order it is not colder for that.
  expect(asked(5, 59.9)).not.toBeNull();
});

test('far colder than its forecast has it, too', () => {
  expect(asked(60, 20, 50)).toBe('20.0 °C, where 50 °C would be expected: the right pan, the right probe?');
  expect(asked(60, 36, 50)).toBeNull();
  expect([asked(60, 35, 50), asked(60, 34.9, 50)].map((a) => a === null)).toEqual([true, false]);
  // On the pass, and on the shelf, no course is expected of it.
  const held = lotState(lotOf(line(0, putBy({ place: 'bath' })), read(10, 70)), keeping);
  expect(held && askedOfKept(held, 60, START + 60 * 60_000, 90)).toBeNull();
});

test('hotter than soup can be', () => {
  expect(asked(15, 110)).toBe('110.0 °C: really?');
  expect(asked(15, 71)).toBeNull();
});
