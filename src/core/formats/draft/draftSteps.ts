import { ingredient } from '../../food/catalogue';
import type { RecipeText } from '../../recipe/recipe';
import { toMillilitres } from '../../units/measure';
import { parseQuantity } from '../../units/typed/parse';

export type StepText = RecipeText['steps'][number];
type PortionText = Extract<StepText, { kind: 'season' }>['items'][number];

/** When a line's ingredient goes into the pot, in the order of the work. */
export const WHENS = [
  'roasted',
  'rendered',
  'sweated',
  'thickener',
  'liquid',
  'simmered',
  'dairy at the end',
  'poached at the end',
  'seasoning',
  'left out',
] as const;
export type When = (typeof WHENS)[number];

/** A line as somebody has looked at it. */
export type ReviewedLine = {
  readonly ingredient: string;
  readonly amount: string;
  readonly prep: string;
  readonly when: When;
};

const minutesNear = (instructions: readonly string[], words: RegExp): number | null => {
  for (const text of instructions.flatMap((t) => t.split(/(?<=[.;!])\s+/))) {
    if (!words.test(text)) continue;
    const m = /(\d+)(?:\s*(?:-|–|to)\s*(\d+))?\s*min/i.exec(text);
    if (m) return m[2] ? Math.round((Number(m[1]) + Number(m[2])) / 2) : Number(m[1]);
    const h = /(\d+)\s*hours?/i.exec(text);
    if (h) return Math.min(600, Number(h[1]) * 60);
  }
  return null;
};

const atMost = (low: number, value: number, high: number) => Math.min(high, Math.max(low, value));

/** °C and minutes something is roasted at where nobody says. Common practice, no source. */
export const OVEN = 200;
export const ROASTS = 35;

/** What the plan is to work out instead of multiplying. */
export type LeftOpen = { readonly dose: boolean; readonly liquid: boolean };

const CUT = { shape: 'cube', edgeMm: 15 } as const;

export function portion(line: ReviewedLine, amount = line.amount): PortionText {
  const food = ingredient(line.ingredient);
  const cut = food.softening && food.group === 'vegetable' ? { cut: CUT } : {};
  return { ingredient: line.ingredient, amount, ...(line.prep && { prep: line.prep.slice(0, 80) }), ...cut };
}

/**
 * The steps of a thickened soup from looked-at lines, in the order cooks work: render, sweat, dust, liquid,
 * simmer, blend, slurry, dairy, late proteins, season. Times come from the instructions where they say.
 */
export function usualSteps(
  lines: readonly ReviewedLine[],
  instructions: readonly string[],
  open: LeftOpen,
): readonly StepText[] {
  const of = (when: When) => lines.filter((l) => l.when === when);
  const said = instructions.join(' ');
  const steps: StepText[] = [];
  const liquids = of('liquid');
  const mainLiquid = [...liquids].sort((a, b) => sizeOf(b) - sizeOf(a))[0];
  const thickeners = of('thickener');
  const wheat = thickeners.filter((l) => ingredient(l.ingredient).thickener === 'wheat');
  const starches = thickeners.filter((l) => !wheat.includes(l));
  const doses = thickeners.length;
  const doseText = (l: ReviewedLine) =>
    open.dose ? (doses === 1 ? 'to thicken' : `to thicken ${Math.round(100 / doses)} %`) : l.amount;

  const roasted = of('roasted');
  if (roasted.length)
    steps.push({
      kind: 'roast',
      in: 'tray',
      items: roasted.map((l) => portion(l)),
      at: OVEN,
      minutes: atMost(1, minutesNear(instructions, /roast|oven/i) ?? ROASTS, 240),
    });
  const rendered = of('rendered');
  if (rendered.length)
    steps.push({ kind: 'render', items: rendered.map((l) => portion(l)), minutes: 8, keep: 1 });
  const sweated = of('sweated');
  if (sweated.length) {
    steps.push({
      kind: 'sweat',
      items: sweated.map((l) => portion(l)),
      minutes: atMost(1, minutesNear(instructions, /saut|sweat|soften|onion|leek|transluc/i) ?? 8, 60),
      to: /golden|caramel|brown(?!ing)/i.test(said) ? 'gold' : 'translucent',
    });
  }
  for (const l of wheat) {
    steps.push({
      kind: 'dust',
      flour: portion(l, doseText(l)),
      minutes: atMost(1, minutesNear(instructions, /flour|roux/i) ?? 2, 30),
      look: 'no dry flour, it drags on the spoon',
    });
  }
  if (liquids.length) {
    steps.push({
      kind: 'add',
      items: liquids.map((l) => portion(l, open.liquid && l === mainLiquid ? 'to volume' : l.amount)),
      gradually: wheat.length > 0,
    });
    steps.push({
      kind: 'bring-to',
      to: 'simmer',
      flame: 0.8,
      lid: 'off',
      look: 'bubbles at the rim; stir the bottom',
    });
  }
  const simmered = of('simmered');
  if (simmered.length) steps.push({ kind: 'add', items: simmered.map((l) => portion(l)), lid: 'on' });
  if (roasted.length) steps.push({ kind: 'pour', from: 'tray', takes: 'all' });
  const wet = liquids.length > 0;
  if (wet) {
    steps.push({
      kind: 'simmer',
      minutes: atMost(
        1,
        minutesNear(instructions, /simmer|boil|tender/i) ?? (simmered.length ? 15 : 10),
        240,
      ),
      untilTender: simmered.length > 0,
      lid: 'on',
    });
  }
  if (wet && /pur[ée]e|blend|liquidi[sz]e|process until smooth/i.test(said)) {
    const part = /half|some of|a third/i.exec(said.slice(Math.max(0, said.search(/pur[ée]e|blend/i) - 60)));
    steps.push({
      kind: 'puree',
      fraction: part ? (/third/i.test(part[0]) ? '1/3' : '1/2') : 'all',
      tool:
        /jug|blender|processor/i.test(said) && !/stick|immersion|hand blender/i.test(said)
          ? 'jug blender'
          : 'stick blender',
    });
  }
  for (const l of starches) {
    steps.push({
      kind: 'thicken',
      method: 'slurry',
      thickener: portion(l, doseText(l)),
      carrier: { ingredient: 'water', amount: 'to match', celsius: 10 },
      minutes: 2,
      lid: 'off',
    });
  }
  const dairy = of('dairy at the end');
  if (dairy.length) {
    const yolks = dairy.filter((l) => ingredient(l.ingredient).thickener === 'yolk');
    const others = dairy.filter((l) => !yolks.includes(l));
    if (yolks.length && wet) {
      steps.push({ kind: 'rest', minutes: 10, lid: 'off', look: 'under 85 °C before the yolks' });
      steps.push({
        kind: 'temper',
        items: [...yolks, ...others].map((l) => portion(l)),
        warmTo: 60,
        to: 80,
        flame: 0.3,
        look: 'coats, never bubbles',
      });
    } else {
      steps.push({ kind: 'add', items: dairy.map((l) => portion(l)) });
      steps.push({
        kind: 'bring-to',
        to: 85,
        flame: 0.5,
        lid: 'off',
        look: 'steam, no bubbles: it must not boil now',
      });
    }
  }
  const late = of('poached at the end');
  if (late.length) {
    steps.push({ kind: 'add', items: late.map((l) => portion(l)) });
    steps.push({
      kind: 'bring-to',
      to: 80,
      flame: 0.3,
      lid: 'off',
      look: 'hot through; leave it undisturbed',
    });
  }
  const seasoning = of('seasoning');
  if (seasoning.length) steps.push({ kind: 'season', items: seasoning.map((l) => portion(l)) });
  return steps;
}

/** mL or g of a line, to find the liquid there is most of; 0 when the amount is open. */
export function sizeOf(l: ReviewedLine): number {
  try {
    return toMillilitres(parseQuantity(l.amount), 1);
  } catch {
    return 0;
  }
}
