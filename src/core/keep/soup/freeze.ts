import { ingredient } from '../../food/catalogue';
import type { Composition } from '../../food/composition';
import { totalOf } from '../../food/composition';
import type { Vessel } from '../../heat/vessel';
import type { Pan } from '../../kitchen/keeping';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { putInBy } from '../../pot/contents/goesIn';
import type { Step } from '../../pot/step';
import { THICKENERS } from '../../thickeners/thickeners';
import { within } from '../../units/range';

/** A shape that freezes: its smallest measure in mm, and its others as multiples of it. */
type FreezingBody = {
  readonly shape: 'slab' | 'cylinder' | 'brick';
  readonly mm: number;
  readonly beta?: readonly [number, number];
};

/** Plank’s P and R by shape: ½ and ⅛ of a slab, ¼ and 1/16 of a cylinder (Plank 1913, as in ASHRAE Handbook — Refrigeration). */
const PLANK = { slab: [1 / 2, 1 / 8], cylinder: [1 / 4, 1 / 16] } as const;

/**
 * P and R of a brick with sides a, β₁a, β₂a (Ede 1949, in ASHRAE’s tables): by Plank’s own formula for P, R
 * between slab and cube by how slab-like P says it is.
 */
function brick([b1, b2]: readonly [number, number]): readonly [number, number] {
  const p = (b1 * b2) / (2 * (b1 * b2 + b1 + b2));
  // A cube has P 1/6 and R 1/24, an endless slab ½ and ⅛.
  const like = (p - 1 / 6) / (1 / 2 - 1 / 6);
  return [p, 1 / 24 + like * (1 / 8 - 1 / 24)];
}

/** What freezing needs to know: kg/m³, kJ/kg, W/(m·K), °C. */
type Freezing = {
  readonly body: FreezingBody;
  readonly density: number;
  readonly latent: number;
  readonly conductivity: number;
  /** °C it begins to freeze at, and of the air. */
  readonly freezes: number;
  readonly air: number;
  /** W/(m²·K). */
  readonly film: number;
};

/**
 * Seconds from its freezing point until its middle is frozen: Plank’s equation t = ρL/(T_f − T_a)·(P a/h + R a²/k), from
 * unfrozen at its freezing point to frozen through; cooling before and after is not in it. Infinity where the air is no colder.
 * Throws {@link OutOfRange}.
 *
 * @example
 * plank({ body: { shape: 'slab', mm: 50 }, density: 1000, latent: 280, conductivity: 1.5, freezes: -1, air: -20, film: 10 }) // 39912
 */
export function plank({ body, density, latent, conductivity, freezes, air, film }: Freezing): number {
  const a = within('thickness', body.mm, 1, 2000, 'mm') / 1000;
  within('film', film, 0.1, 5000, 'W/(m²·K)');
  within('conductivity', conductivity, 0.01, 10, 'W/(m·K)');
  if (air >= freezes) return Number.POSITIVE_INFINITY;
  const [p, r] = body.shape === 'brick' ? brick(body.beta ?? [1, 1]) : PLANK[body.shape];
  return ((density * latent * 1000) / (freezes - air)) * ((p * a) / film + (r * a * a) / conductivity);
}

/** Water of a soup, g of 1; what its ice holds, kJ/kg; ice and thawed soup conduct so. Choi & Okos’s figures for ice. */
const WATERY = 0.88;
const ICE = { latent: 334, conductivity: 1.6 } as const;
const THAWED = 0.55;
const FREEZES = -0.8;

const waterIn = (liquid: Composition | null): number => {
  const total = liquid ? totalOf(liquid) : 0;
  return liquid && total > 0 ? liquid.water / total : WATERY;
};

/** What stands in a pan `mm` deep, or in a pot. */
export function freezingBody(
  holder: { readonly pan: Pan } | { readonly vessel: Vessel },
  mm: number,
): FreezingBody {
  if ('vessel' in holder)
    return mm < holder.vessel.diameterMm
      ? { shape: 'slab', mm }
      : { shape: 'cylinder', mm: holder.vessel.diameterMm };
  const [a, b, c] = [mm, holder.pan.widthMm, holder.pan.lengthMm].toSorted((x, y) => x - y) as [
    number,
    number,
    number,
  ];
  return { shape: 'brick', mm: a, beta: [b / a, c / a] };
}

/** Seconds to freeze through at `air` °C. */
export const freezingTime = (
  body: FreezingBody,
  air: number,
  film: number,
  liquid: Composition | null,
): number =>
  plank({
    body,
    density: 1000,
    latent: ICE.latent * waterIn(liquid),
    conductivity: ICE.conductivity,
    freezes: FREEZES,
    air,
    film,
  });

/** Seconds to thaw through at `air` °C: the same the other way, through soup that conducts a third as well as ice. */
export const thawingTime = (
  body: FreezingBody,
  air: number,
  film: number,
  liquid: Composition | null,
): number =>
  air <= FREEZES
    ? Number.POSITIVE_INFINITY
    : plank({
        body,
        density: 1000,
        latent: ICE.latent * waterIn(liquid),
        conductivity: THAWED,
        freezes: 0,
        air: FREEZES - air,
        film,
      });

/** What freezing will do to a soup, and what mends it. */
export type FreezeEffect = {
  readonly grade: 'fine' | 'mends' | 'spoils';
  readonly what: Message;
  readonly mend: Message | null;
};

/** g of fat in 100 g of dairy under which it grains when it thaws. Common practice, no source. */
const RICH = 30;

const GRADES = { fine: 0, mends: 1, spoils: 2 } as const;

/** What freezing will do to what `steps` made: the worst first; nothing to fear is said too. Common practice, no source. */
export function freezeEffects(steps: readonly Step[]): readonly FreezeEffect[] {
  const found = new Map<string, FreezeEffect>();
  const blended = steps.some((s) => s.kind === 'puree' && s.fraction >= 0.9);
  for (const p of putInBy(steps)) {
    const food = ingredient(p.ingredient);
    const { thickener } = food;
    const freezing = thickener && THICKENERS[thickener].properties?.freezing;
    if (food.group === 'egg')
      found.set('yolk', {
        grade: 'spoils',
        what: message('A liaison of yolk splits when it thaws'),
        mend: message('freeze the soup before its liaison, and bind it when it is reheated'),
      });
    else if (freezing === 'poor' && (food.group === 'flour' || food.group === 'starch'))
      found.set('starch', {
        grade: 'mends',
        what: message('{starch} weeps: water stands off it when it thaws', {
          starch: { opening: term(food.name) },
        }),
        mend: message('blend it as it comes hot; 4 g of waxy starch to the litre bind what stays loose'),
      });
    else if (freezing === 'good')
      found.set(`good ${p.ingredient}`, {
        grade: 'fine',
        what: message('{starch} freezes well', { starch: { opening: term(food.name) } }),
        mend: null,
      });
    if (food.group === 'dairy' && food.composition.fat * 100 < RICH)
      found.set('dairy', {
        grade: 'mends',
        what: message('Lean dairy grains when it thaws'),
        mend: message('reheat it gently and blend; better, freeze it without and stir the dairy in hot'),
      });
    if (/potato/.test(p.ingredient) && food.group === 'vegetable')
      found.set('potato', {
        grade: blended ? 'mends' : 'spoils',
        what: blended ? message('Potato turns grainy') : message('Potato dice go mealy and wet'),
        mend: blended
          ? message('blend it as it comes hot')
          : message('freeze it without, and cook fresh dice for it'),
      });
    if (food.group === 'seafood' && !food.strainedOff)
      found.set('seafood', {
        grade: 'mends',
        what: message('Seafood in it toughens'),
        mend: message('freeze the soup without, and poach the seafood fresh in it'),
      });
  }
  const list = [...found.values()].sort((a, b) => GRADES[b.grade] - GRADES[a.grade]);
  return list.length > 0
    ? list
    : [{ grade: 'fine', what: message('Nothing in it minds being frozen'), mend: null }];
}
