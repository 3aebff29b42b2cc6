import { BANDS } from '../flow/bands';
import { ingredient, isIngredient } from '../food/catalogue';
import type { Product } from '../food/product';
import type { KitchenFile } from '../kitchen/kitchenFile';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { RULES } from '../safety/rules';
import type { Words } from '../text/inWords';
import { inDegrees } from '../units/shown/show';

const nameOf = (id: string): Message =>
  isIngredient(id) ? term(ingredient(id).name) : message('{id}', { id });

/** What is known of a product; what is left open is not said. */
const known = (p: Product): readonly Message[] => [
  ...(p.name === undefined ? [] : [message('named {name}', { name: p.name })]),
  ...(p.sodium === undefined ? [] : [message('sodium {mg} mg per 100 g', { mg: p.sodium })]),
  ...(p.fatPercent === undefined ? [] : [message('fat {percent} %', { percent: p.fatPercent })]),
  ...(p.pH === undefined ? [] : [message('pH {pH}', { pH: p.pH })]),
  ...(p.edibleYield === undefined ? [] : [message('edible share {share}', { share: p.edibleYield })]),
  ...(p.lot === undefined ? [] : [message('lot {lot}', { lot: p.lot })]),
  ...(p.pricePerKg === undefined ? [] : [message('price {price} a kilogram', { price: p.pricePerKg })]),
  ...(p.packG === undefined ? [] : [message('pack {g}', { g: { g: p.packG } })]),
  ...(p.kept === false ? [message('not kept here')] : []),
  ...(p.allergens === undefined
    ? []
    : [message('allergens {those}', { those: { and: p.allergens.map(term) } })]),
];

/** A kitchen as lines a person reads, one thing a line, in the words of `say`: what two revisions are compared by. */
export const kitchenWords = (k: KitchenFile, say: Words): readonly string[] => [
  k.name,
  ...linesOf(k).map((l) => say(l)),
];

const linesOf = (k: KitchenFile): readonly Message[] => [
  message('Altitude {m} m', { m: k.altitudeM }),
  message('Air {air}, humidity {percent} %', {
    air: inDegrees(k.airCelsius),
    percent: Math.round(k.humidity * 100),
  }),
  message('Salt in the finished soup {percent} %', { percent: k.saltPercent }),
  message('Bands end below {limits} mPa·s', {
    limits: {
      listed: k.bandLimits.map((l, n) => message('{band} {limit}', { band: term(BANDS[n] ?? ''), limit: l })),
    },
  }),
  message('Flour is measured {by, select, scale {on the scale} other {by spoons and cups}}', {
    by: k.measures,
  }),
  message(
    'Reads {volume, select, gal {US gallons and pounds} other {litres and grams}}, {temperature, select, F {Fahrenheit} other {Celsius}}',
    { volume: k.show.volume, temperature: k.show.temperature },
  ),
  ...(k.currency ? [message('Prices in {currency}', { currency: k.currency })] : []),
  message('Roles {roles}', { roles: { listed: k.roles } }),
  k.flagged.length > 0
    ? message('Allergens named first: {those}', { those: { listed: k.flagged.map(term) } })
    : message('Allergens named first: none'),
  ...k.vessels.map((v) => {
    const values = {
      name: v.name,
      wide: v.diameterMm / 10,
      high: v.heightMm / 10,
      material: term(v.material),
      kg: { kg: v.massG / 1000 },
    };
    return v.lossFactor === undefined
      ? message('Pot {name}: {wide} × {high} cm, {material}, {kg}', values)
      : message('Pot {name}: {wide} × {high} cm, {material}, {kg}, loses {factor} of the model’s water', {
          ...values,
          factor: v.lossFactor.toFixed(2),
        });
  }),
  ...k.burners.map((b) => {
    const values = { name: b.name, kind: term(b.kind), kW: b.powerW / 1000 };
    return b.intoPotW === undefined
      ? message('Burner {name}: {kind}, {kW} kW', values)
      : message('Burner {name}: {kind}, {kW} kW, {into} kW into the pot', {
          ...values,
          into: (b.intoPotW / 1000).toFixed(2),
        });
  }),
  ...k.products.map((p) => {
    const all = known(p);
    return all.length > 0
      ? message('Product {name}: {known}', { name: nameOf(p.ingredient), known: { listed: all } })
      : message('Product {name}', { name: nameOf(p.ingredient) });
  }),
  ...k.funnels.map((f) =>
    message('Funnel {name}: {mm} mm, {ml}, {a} s at {thin} and {b} s at {thick} mm²/s', {
      name: f.name,
      mm: f.orificeMm,
      ml: { millilitres: f.ml, marked: true },
      a: f.thin.seconds,
      thin: f.thin.nu,
      b: f.thick.seconds,
      thick: f.thick.nu,
    }),
  ),
  ...keepingLines(k.keeping),
];

/** How soup is kept, a line a thing. */
const keepingLines = (k: KitchenFile['keeping']): readonly Message[] => [
  message('Rules of {name}, {of}', { name: RULES[k.rules].name, of: RULES[k.rules].of }),
  ...(k.tightened.hot === undefined
    ? []
    : [message('Kept hot at {celsius}, more than the rule', { celsius: inDegrees(k.tightened.hot) })]),
  ...(k.tightened.cold === undefined
    ? []
    : [message('Kept cold at {celsius}, more than the rule', { celsius: inDegrees(k.tightened.cold) })]),
  ...(k.tightened.cooling === undefined
    ? []
    : [
        message('Cooled in {percent} % of the rule’s time', {
          percent: Math.round(k.tightened.cooling * 100),
        }),
      ]),
  ...(k.tightened.reheat === undefined
    ? []
    : [message('Reheated to {celsius}, more than the rule', { celsius: inDegrees(k.tightened.reheat) })]),
  ...(k.tightened.days === undefined
    ? []
    : [message('Kept for {days} days, fewer than the rule', { days: k.tightened.days })]),
  message('Probed every {minutes} min; {wands} ice wands', { minutes: k.probeEvery, wands: k.wands }),
  message('A day ends at {hour}:00', { hour: String(k.dayEnds).padStart(2, '0') }),
  ...k.pans.map((p) =>
    message('Pan {name}: {count} of {long} × {wide} × {deep} mm', {
      name: p.name,
      count: p.count,
      long: p.lengthMm,
      wide: p.widthMm,
      deep: p.depthMm,
    }),
  ),
  ...k.places.map((p) =>
    message('Place {name}: {kind}, {celsius}', {
      name: p.name,
      kind: term(p.kind),
      celsius: inDegrees(p.celsius),
    }),
  ),
];
