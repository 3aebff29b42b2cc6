import { ingredient, isIngredient } from '../food/catalogue';
import { type Message, message, type Value } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import { ROWS } from '../pot/kinds/rows';
import type { RecipeText } from '../recipe/recipe';
import type { Words } from '../text/inWords';
import { inDegrees } from '../units/shown/show';

type Step = RecipeText['steps'][number];
type Portion = Extract<Step, { kind: 'season' }>['items'][number];

/** The name of a kind of step, as the editor and the versions call it. */
export const stepVerb = (kind: Step['kind']): Message => ROWS[kind].verb;

/** Keys of a step that are not said as "key value". */
const APART = new Set(['kind', 'in', 'look', 'items', 'flour', 'fat', 'thickener', 'carrier']);

const nameOf = (id: string): Message =>
  isIngredient(id) ? term(ingredient(id).name) : message('{id}', { id });

/** What a setting of a step or an ingredient’s row is called. */
const KEYS: Readonly<Record<string, Message>> = {
  additions: message('in so many additions'),
  amount: message('amount'),
  as: message('how it goes in'),
  at: message('at'),
  carrier: message('mixed into'),
  celsius: message('temperature'),
  colour: message('colour'),
  cut: message('cut'),
  days: message('days'),
  depthMm: message('depth'),
  edgeMm: message('edge'),
  fat: message('fat'),
  flame: message('flame'),
  flour: message('flour'),
  fraction: message('share of the pot'),
  from: message('out of'),
  gradually: message('gradually'),
  in: message('done in'),
  ingredient: message('ingredient'),
  items: message('ingredients'),
  keep: message('share of the fat kept'),
  keeps: message('keeps'),
  layer: message('in one layer'),
  lid: message('lid'),
  look: message('what to look for'),
  method: message('method'),
  minutes: message('minutes'),
  of: message('of'),
  offHeat: message('off the heat'),
  prep: message('prepared how'),
  rule: message('equal parts by'),
  shape: message('shape'),
  share: message('share of it'),
  takes: message('takes'),
  thickener: message('thickener'),
  reserve: message('kept back'),
  to: message('to'),
  tool: message('tool'),
  untilTender: message('until tender'),
  warmTo: message('warm to'),
};

/** The name of a setting of a step; what has none keeps the one it has in a file. */
export const settingName = (key: string): Message => KEYS[key] ?? message('{key}', { key });

const saidValue = (value: unknown): Value => {
  if (typeof value === 'boolean') return value ? message('yes') : message('no');
  if (typeof value === 'number') return value;
  if (Array.isArray(value)) return { listed: value.map((v) => nameOf(String(v))) };
  if (typeof value === 'object' && value !== null)
    return {
      listed: Object.entries(value).map(([of, to]) => message('{of} {to}', { of: term(of), to: Number(to) })),
    };
  return term(String(value));
};

const UNIT: Readonly<Record<string, string>> = {
  minutes: 'min',
  depthMm: 'mm',
};

/** Settings that are temperatures, where they are figures. */
const DEGREES: ReadonlySet<string> = new Set(['at', 'warmTo', 'to']);

const settings = (step: Step): readonly Message[] =>
  Object.entries(step)
    .filter(([key, value]) => !APART.has(key) && value !== undefined)
    .map(([key, value]) => {
      if (DEGREES.has(key) && typeof value === 'number')
        return message('{key} {celsius}', { key: settingName(key), celsius: inDegrees(value) });
      const unit = UNIT[key] ?? '';
      return message('{key} {value}{unit, select, none {} other { {unit}}}', {
        key: settingName(key),
        value: saidValue(value),
        unit: unit || 'none',
      });
    });

function portionWords(p: Portion): Message {
  const asides: readonly Value[] = [
    ...(p.prep ? [p.prep] : []),
    ...(p.cut ? [message('{shape} {mm} mm', { shape: term(p.cut.shape), mm: p.cut.edgeMm })] : []),
    ...(p.celsius === undefined ? [] : [message('at {celsius}', { celsius: inDegrees(p.celsius) })]),
  ];
  const values = { name: nameOf(p.ingredient), amount: p.amount };
  return asides.length > 0
    ? message('{name}: {amount} ({asides})', { ...values, asides: { all: asides } })
    : message('{name}: {amount}', values);
}

const INDENT = '    ';

/** A recipe as lines a person reads, one thing a line, in the words of `say`: what two versions are compared by. */
export function recipeWords(recipe: RecipeText, say: Words): readonly string[] {
  const { vessel, burner } = recipe.home;
  return [
    recipe.name,
    say('{school}, makes {litres}, {band}', {
      school: recipe.school,
      litres: { litres: recipe.yieldLitres },
      band: term(recipe.band),
    }),
    say('Written for {pot} ({wide} × {high} cm) on {burner}', {
      pot: vessel.name,
      wide: vessel.diameterMm / 10,
      high: vessel.heightMm / 10,
      burner: burner.name,
    }),
    ...(recipe.pans ?? []).map((p) => say('Beside it “{name}”, {as}', { name: p.name, as: term(p.as) })),
    ...recipe.steps.flatMap((step) => {
      const how = settings(step);
      return [
        (step.in ? `${say('In “{pan}”', { pan: step.in })}: ` : '') +
          (how.length > 0
            ? say('{step}: {how}', { step: ROWS[step.kind].verb, how: { listed: how } })
            : say(ROWS[step.kind].verb)),
        ...(step.look ? [INDENT + say('look for {look}', { look: step.look })] : []),
        ...portionsIn<Portion>(step).map((p) => INDENT + say(portionWords(p))),
      ];
    }),
  ];
}
