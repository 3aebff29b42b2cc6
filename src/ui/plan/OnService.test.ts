import { MOST_SOUPS } from '../../core/service/bounds';
import { SERVICE, service, soup } from '../../core/service/testKit';
import { withSoup } from './OnService';

const ORDER = {
  recipeId: 'roast-carrot-cream',
  litres: 7,
  target: 120,
  vesselId: 'middle-28',
  burnerId: 'front-left',
  finish: 'oat-drink',
  serveAt: '12:15',
};

test('what is planned goes on a service with all it changes, its litres and its time', () => {
  const [made] = withSoup(SERVICE, ORDER)!.soups;
  expect(made).toEqual({
    id: 'roast-carrot-cream',
    order: {
      recipeId: 'roast-carrot-cream',
      target: 120,
      vesselId: 'middle-28',
      burnerId: 'front-left',
      finish: 'oat-drink',
    },
    amount: { litres: 7 },
    draws: [{ at: 735, part: 1 }],
    fresh: false,
  });
});

test('a second of the same recipe has an id of its own, and a full service takes none', () => {
  const twice = withSoup(service([soup('roast-carrot-cream')]), ORDER)!;
  expect(twice.soups.map((s) => s.id)).toEqual(['roast-carrot-cream', 'roast-carrot-cream-2']);
  const full = service(
    Array.from({ length: MOST_SOUPS }, (_, i) => soup('roast-carrot-cream', { id: `s${i}` })),
  );
  expect(withSoup(full, ORDER)).toBeNull();
});
