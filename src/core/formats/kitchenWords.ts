import { BANDS } from '../flow/bands';
import { ingredient, isIngredient } from '../food/catalogue';
import type { KitchenFile } from '../house/kitchenFile';

const nameOf = (id: string): string => (isIngredient(id) ? ingredient(id).name : id);

/** What is known of something, as "key value" with its unit; what is left open is not said. */
const known = (all: readonly (readonly [words: string, value: unknown, unit: string])[]): string =>
  all.flatMap(([words, value, unit]) => (value === undefined ? [] : [`${words} ${value}${unit}`])).join(', ');

/** A kitchen as lines a person reads, one thing a line: what two revisions are compared by. */
export function kitchenWords(k: KitchenFile): readonly string[] {
  return [
    k.name,
    `Altitude ${k.altitudeM} m`,
    `Air ${k.airCelsius} °C, humidity ${Math.round(k.humidity * 100)} %`,
    `Salt in the finished soup ${k.saltPercent} %`,
    `Bands end below ${k.bandLimits.map((l, n) => `${BANDS[n]} ${l}`).join(', ')} mPa·s`,
    `Flour is measured ${k.measures === 'scale' ? 'on the scale' : 'by spoons and cups'}`,
    `Reads ${k.show.volume} and °${k.show.temperature}${k.currency ? `, prices in ${k.currency}` : ''}`,
    `Roles ${k.roles.join(', ')}`,
    `Allergens named first: ${k.flagged.join(', ') || 'none'}`,
    ...k.vessels.map(
      (v) =>
        `Pot ${v.name}: ${v.diameterMm / 10} × ${v.heightMm / 10} cm, ${v.material}, ${v.massG / 1000} kg${v.lossFactor === undefined ? '' : `, loses ${v.lossFactor.toFixed(2)} of the model’s water`}`,
    ),
    ...k.burners.map(
      (b) =>
        `Burner ${b.name}: ${b.kind}, ${b.powerW / 1000} kW${b.intoPotW === undefined ? '' : `, ${(b.intoPotW / 1000).toFixed(2)} kW into the pot`}`,
    ),
    ...k.products.map((p) =>
      [
        `Product ${nameOf(p.ingredient)}`,
        known([
          ['named', p.name, ''],
          ['sodium', p.sodium, ' mg per 100 g'],
          ['fat', p.fatPercent, ' %'],
          ['pH', p.pH, ''],
          ['edible share', p.edibleYield, ''],
          ['price', p.pricePerKg, ' a kilogram'],
          ['pack', p.packG, ' g'],
          ['allergens', p.allergens?.join(' and '), ''],
        ]),
      ]
        .filter(Boolean)
        .join(': '),
    ),
    ...k.funnels.map(
      (f) =>
        `Funnel ${f.name}: ${f.orificeMm} mm, ${f.ml} mL, ${f.thin.seconds} s at ${f.thin.nu} and ${f.thick.seconds} s at ${f.thick.nu} mm²/s`,
    ),
  ];
}
