import { ingredient } from '../catalogue';
import { suggested } from './suggested';

const found = (text: string, most = 8) => suggested(text, (id) => ingredient(id).name, most);

test.each([
  ['flour', 'plain-flour'],
  ['mushroom', 'button-mushroom'],
  ['milk', 'whole-milk'],
  ['butter', 'butter'],
  ['stock', 'vegetable-stock'],
  ['corn', 'sweetcorn'],
])('“%s” finds %s first', (text, id) => {
  expect(found(text)[0]).toBe(id);
});

test('what is one of it comes before what is only made of it', () => {
  const all = found('mushroom');
  for (const one of ['chestnut-mushroom', 'dried-mushroom', 'foraged-mushroom'])
    expect([one, all.indexOf(one) < all.indexOf('mushroom-stock')]).toEqual([one, true]);
});

test('half a word finds what begins with it, and no more than are asked for', () => {
  expect(found('celer')).toEqual(expect.arrayContaining(['celery', 'celeriac']));
  expect(found('cream', 3)).toHaveLength(3);
});
