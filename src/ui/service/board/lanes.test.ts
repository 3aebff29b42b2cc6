import { across, hoursOf, lanesOf, stretchStyle } from './lanes';

test('what overlaps lies in lanes of its own, what does not shares one', () => {
  const { lane, count } = lanesOf([
    { key: 'a', from: 0, to: 10 },
    { key: 'b', from: 5, to: 15 },
    { key: 'c', from: 10, to: 20 },
  ]);
  expect(count).toBe(2);
  expect([lane.get('a'), lane.get('b'), lane.get('c')]).toEqual([0, 1, 0]);
  expect(lanesOf([]).count).toBe(1);
});

test('a stretch lies where its minutes are, and does not leave the board', () => {
  const span = { from: 600, to: 800 };
  expect(across(span, 650)).toBe(25);
  expect(stretchStyle(span, 650, 700)).toEqual({ left: '25%', width: '25%' });
  expect(stretchStyle(span, 500, 700)).toEqual({ left: '0%', width: '50%' });
  expect(stretchStyle(span, 700, 900)).toEqual({ left: '50%', width: '50%' });
});

test('hours are written two apart where the day is long', () => {
  expect(hoursOf({ from: 570, to: 720 })).toEqual([600, 660, 720]);
  expect(hoursOf({ from: 0, to: 780 })).toEqual([0, 120, 240, 360, 480, 600, 720]);
});
