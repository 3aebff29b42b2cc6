import { ingredient, isIngredient } from '../food/catalogue';
import { portionsIn } from '../pot/portions';
import type { RecipeText } from '../recipe/recipe';
import { inEnglish } from '../say/inWords';
import { type Message, message } from '../say/message';

type Step = RecipeText['steps'][number];
type Portion = Extract<Step, { kind: 'season' }>['items'][number];

const VERBS: { readonly [K in Step['kind']]: Message } = {
  sweat: message('Sweat'),
  roux: message('Cook a roux'),
  dust: message('Dust'),
  add: message('Add'),
  'bring-to': message('Bring to'),
  simmer: message('Simmer'),
  puree: message('Blend'),
  season: message('Season'),
  render: message('Render'),
  reduce: message('Reduce'),
  strain: message('Strain'),
  thicken: message('Thicken'),
  temper: message('Temper'),
  poach: message('Poach'),
  rest: message('Rest'),
  hold: message('Hold'),
  chill: message('Chill'),
  reheat: message('Reheat'),
  keep: message('Keep'),
};

/** The name of a kind of step, as the editor and the versions call it. */
export const stepVerb = (kind: Step['kind']): Message => VERBS[kind];

/** Keys of a step that are not said as "key value". */
const APART = new Set(['kind', 'look', 'items', 'flour', 'fat', 'thickener', 'carrier']);

const nameOf = (id: string): string => (isIngredient(id) ? ingredient(id).name : id);

const saidValue = (value: unknown): string => {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map((v) => nameOf(String(v))).join(', ');
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .map(([k, v]) => `${k} ${v}`)
      .join(' ');
  return String(value);
};

const UNIT: Readonly<Record<string, string>> = {
  minutes: ' min',
  depthMm: ' mm',
  days: ' days',
  at: ' °C',
  warmTo: ' °C',
};

function settings(step: Step): string {
  return Object.entries(step)
    .filter(([key, value]) => !APART.has(key) && value !== undefined)
    .map(([key, value]) => {
      const unit = UNIT[key] ?? (key === 'to' && typeof value === 'number' ? ' °C' : '');
      return `${key.replace(/([A-Z])/g, ' $1').toLowerCase()} ${saidValue(value)}${unit}`;
    })
    .join(', ');
}

function portionWords(p: Portion): string {
  const asides = [
    p.prep,
    p.cut && `${p.cut.shape} ${p.cut.edgeMm} mm`,
    p.celsius === undefined ? undefined : `at ${p.celsius} °C`,
  ].filter(Boolean);
  return `    ${nameOf(p.ingredient)}: ${p.amount}${asides.length ? ` (${asides.join('; ')})` : ''}`;
}

/** A recipe as lines a person reads, one thing a line: what two versions are compared by. */
export function recipeWords(recipe: RecipeText): readonly string[] {
  return [
    recipe.name,
    `${recipe.school}, makes ${recipe.yieldLitres} L, ${recipe.band}`,
    `Written for ${recipe.home.vessel.name} (${recipe.home.vessel.diameterMm / 10} × ${recipe.home.vessel.heightMm / 10} cm) on ${recipe.home.burner.name}`,
    ...recipe.steps.flatMap((step) => [
      [inEnglish(VERBS[step.kind]), settings(step)].filter(Boolean).join(': '),
      ...(step.look ? [`    look for ${step.look}`] : []),
      ...portionsIn<Portion>(step).map(portionWords),
    ]),
  ];
}
