import type { BurnerKind } from '../heat/burner';
import { type Message, message } from '../message/message';
import { SALT_PER_SODIUM } from '../salt/salt';
import type { PlaceKind } from './keeping';
import type { KitchenFile } from './kitchenFile';

/** kW burners of a kitchen have, by kind. Common practice, no source. */
const POWER_KW: Readonly<Record<BurnerKind, readonly [number, number]>> = {
  gas: [1, 20],
  induction: [1, 10],
  electric: [0.8, 6],
};

const outside = (value: number, [low, high]: readonly [number, number]): boolean =>
  value < low || value > high;

/** What is usual of a kitchen's figures; what is possible stands in its schema. Common practice, no source. */
const USUAL = {
  air: [8, 42],
  altitude: [-50, 3200],
  humidity: [0.15, 0.95],
  salt: [0.5, 1.3],
  litres: [1, 150],
  gramsPerLitre: [60, 900],
} as const;

/** °C places are usually at, by kind. Common practice, no source. */
const PLACES: Readonly<Record<PlaceKind, readonly [number, number]>> = {
  bath: [60, 95],
  ring: [60, 97],
  worktop: [8, 42],
  'ice bath': [-2, 6],
  blast: [-40, 6],
  'cold room': [-2, 8],
  fridge: [-1, 8],
  freezer: [-40, -12],
};

/** What is asked about a kitchen before it is saved: figures that are possible and unusual, as a unit typed for another makes them. */
export function askedOfKitchen(k: KitchenFile): readonly Message[] {
  const asked: Message[] = [];
  if (outside(k.airCelsius, USUAL.air))
    asked.push(message('Air of {air}: really?', { air: { celsius: k.airCelsius } }));
  if (outside(k.altitudeM, USUAL.altitude))
    asked.push(message('{m} m above the sea: really?', { m: k.altitudeM }));
  if (outside(k.humidity, USUAL.humidity))
    asked.push(message('Humidity of {percent} %: really?', { percent: Math.round(k.humidity * 100) }));
  if (outside(k.saltPercent, USUAL.salt))
    asked.push(message('{percent} % of salt in the soup: really?', { percent: k.saltPercent }));
  for (const v of k.vessels) {
    const litres = (Math.PI * (v.diameterMm / 200) ** 2 * v.heightMm) / 100;
    if (outside(litres, USUAL.litres))
      asked.push(message('{pot} holds {litres}: really?', { pot: v.name, litres: { ml: litres * 1000 } }));
    else if (outside(v.massG / litres, USUAL.gramsPerLitre))
      asked.push(message('{pot} weighs {kg} empty: really?', { pot: v.name, kg: { kg: v.massG / 1000 } }));
  }
  for (const b of k.burners)
    if (outside(b.powerW / 1000, POWER_KW[b.kind]))
      asked.push(message('{burner} has {kW} kW: really?', { burner: b.name, kW: b.powerW / 1000 }));
  for (const p of k.products)
    if (p.sodium !== undefined && (p.sodium * SALT_PER_SODIUM) / 1000 > 60 && p.ingredient !== 'salt')
      asked.push(message('{product} is more than half salt: really?', { product: p.name ?? p.ingredient }));
  for (const p of k.keeping.places)
    if (outside(p.celsius, PLACES[p.kind]))
      asked.push(
        message('{place} is kept at {celsius}: really?', { place: p.name, celsius: { celsius: p.celsius } }),
      );
  return asked;
}
