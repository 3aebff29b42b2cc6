import { inEnglish } from '../text/inWords';
import { momentWords } from './moment';

const now = new Date(2026, 10, 26, 22, 40);
const said = (at: Date) => inEnglish(momentWords(at, now));

test('a moment of another day says which', () => {
  expect(said(new Date(2026, 10, 26, 18, 30))).toBe('at 18:30');
  expect(said(new Date(2026, 10, 26, 23, 59))).toBe('at 23:59');
  expect(said(new Date(2026, 10, 27, 0, 10))).toBe('tomorrow at 00:10');
  expect(said(new Date(2026, 10, 27, 18, 30))).toBe('tomorrow at 18:30');
  expect(said(new Date(2026, 10, 25, 23, 59))).toBe('yesterday at 23:59');
  // A Sunday.
  expect(said(new Date(2026, 10, 29, 11, 30))).toBe('on Sunday at 11:30');
  expect(said(new Date(2026, 10, 20, 11, 30))).toBe('on Friday at 11:30');
  expect(said(new Date(2026, 11, 24, 12, 0))).toBe('on 2026-12-24 at 12:00');
});
