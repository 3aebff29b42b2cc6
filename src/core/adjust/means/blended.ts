import { ingredient } from '../../food/catalogue';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { leaches, pulpOf, pureeStrength } from '../../thicken/puree';
import { mendsSoup } from '../larder';
import type { Measured } from '../measured';
import type { Means } from '../trial/trial';
import { shortBy } from './short';

/** Pieces in the pot that would thicken it, blended. */
const blendable = (measured: Measured): readonly string[] => [
  ...new Set(
    measured.pot.pieces.filter((p) => ingredient(p.ingredient).puree && p.g > 20).map((p) => p.ingredient),
  ),
];

/** Blending some of the vegetables that are in the pot; null when there are none that thicken. */
export function blend(measured: Measured): Means | null {
  const of = blendable(measured);
  if (of.length === 0) return null;
  const grams = measured.pot.pieces.reduce((sum, p) => sum + (of.includes(p.ingredient) ? p.g : 0), 0);
  const brings = measured.pot.pieces.reduce((sum, p) => {
    if (!of.includes(p.ingredient)) return sum;
    const { pulp, granules } = pulpOf(ingredient(p.ingredient).puree ?? 'other', p.composition, p.g);
    return sum + pulp + granules;
  }, 0);
  const potato = of.some((id) => leaches(ingredient(id).puree));
  const names = { and: of.map((id) => ({ within: term(ingredient(id).name.split(',')[0] ?? id) })) };
  return {
    id: 'blend',
    title: message('Blend some of the {names}', { names }),
    how: [
      message('lift it out with a little liquid, of the {grams} in the pot', { grams: { g: grams } }),
      message('blend it smooth, stir it back in'),
      ...(potato ? [message('no longer than it takes: potato turns gluey')] : []),
    ],
    steps: (share) => [{ kind: 'puree', fraction: Math.min(1, share), of: [...of], tool: 'stick blender' }],
    guess: Math.min(1, Math.max(0.1, shortBy(measured) / Math.max(1, brings))),
    most: 1,
    unit: 'share',
    needs: [],
    makeReady: 1.5,
    hangsOn: 'puree',
    forecloses: [message('what is blended is no garnish any more')],
  };
}

/** Edge of dice cut to be blended, mm: small, so that they are soft soon. */
const TO_BLEND_MM = 8;

/** g of something dry or a vegetable a litre takes before it is another soup. Common practice, no source. */
const MORE_PUREE = 150;

/** A vegetable or rice cooked in the pot and blended into it; null when the pot holds it in pieces already. */
export function cookedIn(measured: Measured, id: string, short: number): Means | null {
  const { puree, group, name } = ingredient(id);
  if (!puree || measured.pot.pieces.some((p) => p.ingredient === id)) return null;
  const strength = pureeStrength(ingredient(id));
  const said = { within: term(name.split(',')[0] ?? id) };
  const guess = short / strength;
  return {
    id: `more-puree.${id}`,
    title:
      group === 'grain'
        ? message('{name}, cooked in it and blended', { name: term(name) })
        : message('More purée, of {said}', { said }),
    how: [
      group === 'grain'
        ? message('rain the {said} into the simmering pot', { said })
        : message('{said} in {size} mm dice into the pot', { said, size: TO_BLEND_MM }),
      message('lid ajar, at the simmer until it falls apart under the fork'),
      message('blend it in, then judge'),
    ],
    steps: (g) => [
      {
        kind: 'add',
        items: [
          {
            ingredient: id,
            amount: g,
            ...(group !== 'grain' && { cut: { shape: 'cube', edgeMm: TO_BLEND_MM } as const }),
          },
        ],
      },
      { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'on' },
      { kind: 'simmer', minutes: 5, untilTender: true, lid: 'ajar' },
      { kind: 'puree', fraction: 1, of: [id], tool: 'stick blender' },
    ],
    guess,
    most: guess * 8 + 200,
    unit: 'g',
    needs: [id],
    makeReady: group === 'grain' ? 0.5 : 3,
    hangsOn: 'puree',
    forecloses: [],
    mostPerLitre: MORE_PUREE,
  };
}

/** What to cook and blend into it: the strongest vegetable it is made of, floury potato, and rice, as far as they are to hand. */
export const toCookIn = (measured: Measured, larder: readonly string[]): readonly string[] => {
  const strengthOf = (id: string): number => pureeStrength(ingredient(id));
  const own = measured.contains
    .filter((id) => larder.includes(id) && ingredient(id).group === 'vegetable' && mendsSoup(id))
    .toSorted((a, b) => strengthOf(b) - strengthOf(a))
    .slice(0, 1);
  return [...new Set([...own, 'floury-potato', 'white-rice'])];
};
