import { wordsFor } from '../text/inWords';
import { METRIC } from '../units/shown/show';
import { message } from './message';
import { term } from './term';
import { issue, issued, saidBy, Told } from './told';

test('an error that is told is plain English for a log, and a message for whoever reads it', () => {
  const error = new Told(
    message('{what} is {given}; use {units} up to {range}', {
      what: term('weight'),
      given: 9,
      units: { listed: ['g', 'kg'] },
      range: { celsius: 57, toCelsius: 21 },
    }),
  );
  expect(error.message).toBe('weight is 9; use g, kg up to 57 to 21');
  expect(error).toBeInstanceOf(RangeError);
  expect(saidBy(error)).toEqual(error.says);
  expect(saidBy(new Error('as it is'))).toBe('as it is');
});

test('a schema’s error carries its message whole, figures and all, and nobody else’s is taken for one', () => {
  const says = message('at least {least} is needed', { least: 2 });
  expect(issued(issue(says.text, says.values))).toEqual(says);
  expect(issued('Invalid input')).toBeNull();
  expect(issued('{"text":5}')).toBeNull();
});

test('what is refused is said in the language of whoever asks', () => {
  const said = wordsFor({ ...METRIC, language: 'en-XA' })(
    issued(
      issue('{what} is a number from {low} to {high} {unit}', {
        what: term('altitude'),
        low: -500,
        high: 5000,
        unit: 'm',
      }),
    ) ?? message('nothing'),
  );
  expect(said).toMatch(/-500 .* 5000/);
  expect(said).not.toMatch(/altitude|number/);
});
