import type { House } from '../../../../core/kitchen/house';
import { FORMS } from '../../../../core/pot/kinds/forms';
import type { StepKind } from '../../../../core/pot/kinds/names';
import type { KeptAs, PanKind } from '../../../../core/pot/pans/pan';
import type { RecipeText } from '../../../../core/recipe/recipe';
import { typedNumber } from '../../../../core/units/typed/parse';

type StepText = RecipeText['steps'][number];

/** An ingredient's row in a form, all as typed. */
export type ItemForm = {
  ingredient: string;
  amount: string;
  prep: string;
  celsius: string;
  shape: '' | 'slab' | 'rod' | 'cube';
  edgeMm: string;
  as: string;
};

/** A step's form: text for what is typed, true or false for ticks, ids for pieces. */
export type StepFields = {
  kind: StepKind;
  /** The name of the pan it is done in; empty for the pot. */
  in: string;
  look: string;
  items: ItemForm[];
  flour?: ItemForm | undefined;
  fat?: ItemForm | undefined;
  thickener?: ItemForm | undefined;
  carrier?: ItemForm | undefined;
  values: Record<string, string | boolean | string[]>;
};

/** A pan beside the pot, as typed. */
export type PanForm = { name: string; as: PanKind; kept: KeptAs | '' };

export type RecipeForm = {
  name: string;
  school: string;
  yieldLitres: string;
  band: RecipeText['band'];
  vesselId: string;
  burnerId: string;
  pans: PanForm[];
  steps: StepFields[];
};

type PortionText = Extract<StepText, { kind: 'season' }>['items'][number];

const textOf = (value: unknown): string => (value === undefined || value === null ? '' : String(value));

export const itemForm = (p: PortionText): ItemForm => ({
  ingredient: p.ingredient,
  amount: p.amount,
  prep: textOf(p.prep),
  celsius: textOf(p.celsius),
  shape: p.cut?.shape ?? '',
  edgeMm: textOf(p.cut?.edgeMm),
  as: p.as ?? '',
});

function portionOf(f: ItemForm): PortionText {
  return {
    ingredient: f.ingredient,
    amount: f.amount.trim(),
    ...(f.prep.trim() && { prep: f.prep.trim() }),
    ...(f.celsius.trim() && { celsius: typedNumber(f.celsius) as number }),
    ...((f.as === 'puree' || f.as === 'mash') && { as: f.as }),
    ...(f.shape && { cut: { shape: f.shape, edgeMm: typedNumber(f.edgeMm) as number } }),
  };
}

export function stepForm(step: StepText): StepFields {
  const values: StepFields['values'] = {};
  const raw: Record<string, unknown> = { ...step };
  for (const ask of FORMS[step.kind].asks) {
    const value = raw[ask.key];
    values[ask.key] =
      ask.as === 'tick'
        ? value === true
        : ask.as === 'pieces'
          ? [...((value as string[]) ?? [])]
          : textOf(value);
  }
  if (step.kind === 'reduce') {
    const [[until, value] = ['share', 0.8]] = Object.entries(step.to);
    values.until = until;
    values.untilValue = textOf(value);
  }
  const holds = FORMS[step.kind].holds;
  const single = (key: 'flour' | 'fat' | 'thickener' | 'carrier') =>
    Array.isArray(holds) && holds.includes(key) && raw[key] ? itemForm(raw[key] as PortionText) : undefined;
  return {
    kind: step.kind,
    in: textOf(step.in),
    look: textOf(step.look),
    items: holds === 'items' ? (raw.items as PortionText[]).map(itemForm) : [],
    flour: single('flour'),
    fat: single('fat'),
    thickener: single('thickener'),
    carrier: single('carrier'),
    values,
  };
}

function stepOf(f: StepFields): StepText {
  const step: { [key: string]: unknown; kind: StepText['kind'] } = { kind: f.kind };
  const holds = FORMS[f.kind].holds;
  if (holds === 'items') step.items = f.items.map(portionOf);
  else if (holds) for (const key of holds) if (f[key]) step[key] = portionOf(f[key]);
  for (const ask of FORMS[f.kind].asks) {
    const value = f.values[ask.key];
    if (ask.as === 'tick') {
      if (value === true) step[ask.key] = true;
    } else if (ask.as === 'pan') {
      if (value) step[ask.key] = String(value);
    } else if (ask.as === 'pieces') {
      if (Array.isArray(value) && value.length > 0) step[ask.key] = value;
    } else {
      const text = String(value ?? '').trim();
      if (text === '' && ask.optional) continue;
      step[ask.key] = ask.as === 'number' ? typedNumber(text) : text;
    }
  }
  if (f.kind === 'bring-to' && typeof step.to === 'string') step.to = typedNumber(step.to);
  if (f.kind === 'reduce') {
    step.to = { [String(f.values.until)]: step.untilValue };
    delete step.until;
    delete step.untilValue;
  }
  if (f.in) step.in = f.in;
  if (f.look.trim()) step.look = f.look.trim();
  return step as StepText;
}

export const recipeForm = (body: RecipeText): RecipeForm => ({
  name: body.name,
  school: body.school,
  yieldLitres: textOf(body.yieldLitres),
  band: body.band,
  vesselId: body.home.vessel.id,
  burnerId: body.home.burner.id,
  pans: (body.pans ?? []).map(({ name, as, kept }) => ({ name, as, kept: kept ?? '' })),
  steps: body.steps.map(stepForm),
});

/** The pans the form says, each with the vessel it was written for. */
function pansOf({ pans }: RecipeForm, base: RecipeText): Pick<RecipeText, 'pans' | 'format'> {
  if (pans.length === 0) return { format: 'panache.recipe/1', pans: undefined };
  return {
    format: 'panache.recipe/2',
    pans: pans.map(({ name, as, kept }) => {
      const vessel = base.pans?.find((p) => p.name === name.trim())?.vessel;
      return { name: name.trim(), as, ...(kept && { kept }), ...(vessel && { vessel }) };
    }),
  };
}

/** The recipe the form says, over `base` for what the form does not ask. What cannot be read stays as typed. */
export function bodyOf(form: RecipeForm, base: RecipeText, house: House): RecipeText {
  const vessel = house.vessels.find((v) => v.id === form.vesselId) ?? base.home.vessel;
  const burner = house.burners.find((b) => b.id === form.burnerId) ?? base.home.burner;
  const home = {
    vessel: form.vesselId === base.home.vessel.id ? base.home.vessel : vessel,
    burner: form.burnerId === base.home.burner.id ? base.home.burner : burner,
  };
  return {
    ...base,
    name: form.name.trim(),
    school: form.school.trim(),
    yieldLitres: typedNumber(form.yieldLitres) as number,
    band: form.band,
    home,
    ...pansOf(form, base),
    steps: form.steps.map(stepOf),
  };
}

/** Where in the form a problem of the recipe stands: "steps.3.minutes" → "steps.3.values.minutes". */
export function fieldOf(path: string, form: RecipeForm): string {
  const clean = path.replace(/^body\.?/, '').replace(/\[(\d+)\]/g, '.$1');
  const m = /^steps\.(\d+)\.(\w[\w-]*)(?:\.(.*))?$/.exec(clean);
  if (!m) return clean.startsWith('home') ? 'vesselId' : clean;
  const [, n, key, rest] = m;
  const step = form.steps[Number(n)];
  if (!step || !key) return clean;
  if (key === 'items' || key === 'flour' || key === 'fat' || key === 'thickener' || key === 'carrier') {
    const inner = (rest ?? '')
      .replace(/cut\.shape$/, 'shape')
      .replace(/cut\.edgeMm$/, 'edgeMm')
      .replace(/cut$/, 'edgeMm');
    return `steps.${n}.${key}${inner ? `.${inner}` : ''}`;
  }
  if (step.kind === 'reduce' && key === 'to') return `steps.${n}.values.untilValue`;
  if (key === 'kind') return `steps.${n}`;
  if (key === 'in') return `steps.${n}.in`;
  return key === 'look' ? `steps.${n}.look` : `steps.${n}.values.${key}`;
}
