import { away, back, log, said } from './log';

test('an outage is one line when it begins and one when it is over, however often it is tried', () => {
  const error = jest.spyOn(log(), 'error').mockImplementation(() => {});
  const info = jest.spyOn(log(), 'info').mockImplementation(() => {});
  back('a thing');
  for (let n = 0; n < 50; n++) away('a thing', new Error('refused\nand its insides'));
  expect(error.mock.calls).toEqual([[{ what: 'a thing', error: 'refused' }, 'a thing is away']]);
  for (let n = 0; n < 5; n++) back('a thing');
  expect(info.mock.calls).toEqual([[{ what: 'a thing', seconds: expect.any(Number) }, 'a thing is back']]);
  away('a thing', 'again');
  expect(error).toHaveBeenCalledTimes(2);
  back('a thing');
});

test('what is said of an error is one line', () => {
  expect(said(new Error('one\ntwo'))).toBe('one');
  expect(said('three')).toBe('three');
});
