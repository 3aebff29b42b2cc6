import { demoBatch, demoIds, eventsAt } from '../../../../demo/batch';
import { broken, historyOf, shrunk } from '../../../../drill/histories';
import type { EventBody } from '../events';

/** More of them, 20,000, are tried by `./panache drill`. */
const SEEDS = 60;

test(`the model answers ${SEEDS} made-up histories, whatever is in them and in whatever order`, () => {
  for (let seed = 0; seed < SEEDS; seed++) {
    const history = historyOf(seed);
    const says = broken(history);
    if (says === null) continue;
    const { events } = shrunk(history).batch;
    throw new Error(`history ${seed}: ${says}\n${events.map((e) => JSON.stringify(e)).join('\n')}`);
  }
}, 120_000);

const HOME = { litres: 8, pot: 'middle-28', burner: 'front-right' };

const soup = (
  id: string,
  events: readonly (readonly [number, EventBody])[],
  home: Parameters<typeof demoBatch>[1] = HOME,
) => ({
  seed: 0,
  batch: {
    ...demoBatch(id, home).batch,
    events: eventsAt(events),
  },
});

describe('histories that once broke it', () => {
  test.each<[string, string, readonly (readonly [number, EventBody])[]]>([
    ['a weight at the very start', 'smoked-parsnip-veloute', [[0, { kind: 'mass', g: 4000 }]]],
    ['a weight before it', 'chestnut-mushroom-cream', [[-60, { kind: 'mass', g: 1292.7 }]]],
    [
      'ten kilos of ice, then 20 °C',
      'smoked-parsnip-veloute',
      [
        [600, { kind: 'put-in', ingredient: 'water', g: 10_000, celsius: -25 }],
        [700, { kind: 'temperature', celsius: 20 }],
        [900, { kind: 'step-done', step: 0 }],
      ],
    ],
    [
      'a probe at −5 °C, then done',
      'mussel-veloute-with-liaison',
      [
        [600, { kind: 'temperature', celsius: -5 }],
        [700, { kind: 'step-done', step: 0 }],
        [900, { kind: 'step-done', step: 1 }],
      ],
    ],
    [
      'seventy kilos of frozen cream',
      'jacket-potato-soup',
      [[804, { kind: 'put-in', ingredient: 'whipping-cream', g: 70_668, celsius: -25 }]],
    ],
    [
      'a sack of flour into the pot',
      'chestnut-mushroom-cream',
      [[340, { kind: 'put-in', ingredient: 'cake-flour', g: 162_404 }]],
    ],
    [
      'frozen beans into a pot read as 200 °C',
      'roast-carrot-cream',
      [
        [523, { kind: 'temperature', celsius: 200 }],
        [3551, { kind: 'put-in', ingredient: 'broad-beans', g: 158_869, celsius: -25 }],
      ],
    ],
    [
      'cold flour by the tonne, as a step',
      'smoked-parsnip-veloute',
      [
        [
          2800,
          {
            kind: 'step-added',
            before: 2,
            title: 'One more',
            does: {
              kind: 'add',
              items: [{ ingredient: 'half-and-half', amount: 433_094, celsius: -25 }],
              gradually: true,
            },
          },
        ],
        [3000, { kind: 'step-done', step: 0 }],
      ],
    ],
    [
      'two hundred kilos of bacon fat, and a millimetre on the ruler in the end',
      'haddock-and-sweetcorn-chowder',
      [
        ...Array.from({ length: 10 }, (_, step): [number, EventBody] => [
          226 * (step + 1),
          { kind: 'step-done', step },
        ]),
        [1312, { kind: 'put-in', ingredient: 'bacon-fat', g: 200_000, celsius: 100 }],
        [54_942, { kind: 'depth', mm: 1 }],
      ],
    ],
    [
      'three tonnes of sour wine tempered in',
      'crab-shell-bisque',
      [
        [
          5958,
          {
            kind: 'step-added',
            before: 79,
            title: 'One more',
            does: {
              kind: 'temper',
              items: [
                { ingredient: 'lemon-juice', amount: 1_440_327, celsius: 143 },
                { ingredient: 'dry-sherry', amount: 1_473_962 },
              ],
              warmTo: 75,
              to: 90,
              flame: 0.05,
            },
          },
        ],
      ],
    ],
    [
      'flour sweated in an empty pot',
      'cockle-and-leek-chowder',
      [
        [
          0,
          {
            kind: 'step-added',
            before: 0,
            title: 'One more',
            does: {
              kind: 'sweat',
              items: [{ ingredient: 'cake-flour', amount: 23, celsius: -15 }],
              minutes: 23,
              to: 'gold',
            },
          },
        ],
        [700, { kind: 'step-done', step: 0 }],
      ],
    ],
  ])('%s, in a %s', (_what, id, events) => {
    expect(broken(soup(id, events))).toBeNull();
  });

  test('half a cubic metre read off the wall, and a probe at 200 °C before it, in the tall pot', () => {
    const tall = { litres: 20, pot: 'tall-steel-36', burner: 'front-left' };
    for (const id of demoIds())
      expect(
        broken(
          soup(
            id,
            [
              [549, { kind: 'volume', ml: 537_433 }],
              [648, { kind: 'temperature', celsius: 200 }],
              [2582, { kind: 'temperature', celsius: 200 }],
              [2959, { kind: 'mass', g: 510_102 }],
            ],
            tall,
          ),
        ),
      ).toBeNull();
  });

  test('a weight of a pot that is still empty moves nothing, and the next reading counts', () => {
    const read: [number, EventBody] = [1500, { kind: 'depth', mm: 118 }];
    const { batch } = soup('smoked-parsnip-veloute', [
      [0, { kind: 'mass', g: 4000 }],
      [516, { kind: 'step-done', step: 0 }],
      read,
    ]);
    expect(broken({ seed: 1, batch })).toBeNull();
  });
});
