import { ingredient } from '../../food/catalogue';
import { type PanKind, panOf, THE_POT } from '../../pot/pans/pan';
import type { RecipeText } from '../../recipe/recipe';
import {
  type LeftOpen,
  OVEN,
  portion,
  type ReviewedLine,
  ROASTS,
  type StepText,
  sizeOf,
  type When,
} from './draftSteps';
import { type Clause, clausesOf, isWet } from './method';
import { goesIntoTheSoup, type PanSaid } from './pansSaid';

/** Where what is lifted out of the pot waits. */
const BOWL = 'bowl';

type PortionText = ReturnType<typeof portion>;
type Adding = Extract<StepText, { kind: 'add' }>;

const atMost = (low: number, value: number, high: number) => Math.min(high, Math.max(low, value));

/** A pan as it stands while the steps grow. */
type PanState = {
  as: PanKind;
  wet: boolean;
  full: boolean;
  unsaid: StepText | null;
  melted: number[];
};

/** Steps as they grow, and what of the list is in them. */
class Building {
  readonly steps: StepText[] = [];
  readonly whens = new Map<number, When>();
  /** The pan that is spoken of: the pot, or one beside it. */
  pan: string = THE_POT;
  readonly pans = new Map<string, PanState>();

  constructor(
    readonly lines: readonly ReviewedLine[],
    readonly open: LeftOpen,
  ) {}

  food(n: number) {
    return ingredient((this.lines[n] as ReviewedLine).ingredient);
  }

  /** How a line goes in, with its dose or the main liquid left open. */
  portion(n: number, when: When): PortionText {
    this.whens.set(n, when);
    const line = this.lines[n] as ReviewedLine;
    // The fat of a roux goes in with its flour, and is no dose of its own.
    const doses = this.lines.filter(
      (l) => l.when === 'thickener' && ingredient(l.ingredient).group !== 'fat',
    ).length;
    if (when === 'thickener' && this.open.dose)
      return portion(line, doses < 2 ? 'to thicken' : `to thicken ${Math.round(100 / doses)} %`);
    const liquids = this.lines.filter((l) => l.when === 'liquid').toSorted((a, b) => sizeOf(b) - sizeOf(a));
    return portion(line, this.open.liquid && line === liquids[0] ? 'to volume' : line.amount);
  }

  push(...steps: StepText[]): void {
    this.steps.push(...steps.map((s) => (this.pan === THE_POT ? s : { ...s, in: this.pan })));
    this.here.full = true;
  }

  last(): StepText | undefined {
    return this.steps.findLast((s) => panOf(s) === this.pan);
  }

  /** How the pan that is spoken of stands. */
  get here(): PanState {
    const known = this.pans.get(this.pan) ?? {
      as: 'pot',
      wet: false,
      full: false,
      unsaid: null,
      melted: [],
    };
    this.pans.set(this.pan, known);
    return known;
  }

  /** Something flows in it. */
  get wet(): boolean {
    return this.here.wet;
  }
  set wet(is: boolean) {
    this.here.wet = is;
  }
  /** A step whose time nobody has said yet. */
  get unsaid(): StepText | null {
    return this.here.unsaid;
  }
  set unsaid(step: StepText | null) {
    this.here.unsaid = step;
  }
  /** Melted, and nothing cooked in it yet. */
  get melted(): number[] {
    return this.here.melted;
  }
  set melted(lines: number[]) {
    this.here.melted = lines;
  }

  /** What follows is done in this pan. */
  goTo(pan: PanSaid | null): void {
    this.pan = pan?.name ?? THE_POT;
    if (pan) this.here.as = pan.as;
  }

  /** All that is in `from` into the pot, put at `at` among the steps, at the end unless said. */
  pourOut(from: string, at = this.steps.length): void {
    const state = this.pans.get(from);
    if (!state?.full) return;
    this.steps.splice(at, 0, { kind: 'pour', from, takes: 'all' });
    const pot = this.pan;
    this.pan = THE_POT;
    this.here.full = true;
    this.here.wet ||= state.wet;
    this.pan = pot === from ? THE_POT : pot;
    state.full = false;
    state.wet = false;
  }

  /** Pans beside the pot with something in them. */
  beside(): readonly string[] {
    return [...this.pans].flatMap(([name, { full }]) => (full && name !== THE_POT ? [name] : []));
  }
}

const isWheat = (b: Building, n: number) => b.food(n).thickener === 'wheat';
const isStarch = (b: Building, n: number) =>
  b.food(n).group === 'starch' || (b.food(n).group === 'flour' && !isWheat(b, n));
const isYolk = (b: Building, n: number) => b.food(n).thickener === 'yolk';
const isFat = (b: Building, n: number) => b.food(n).group === 'fat';

/** Flour into the fat: a roux where there is only fat to cook it in, dusted over what lies in the pot otherwise. */
function flour(b: Building, n: number, { text, minutes }: Clause): void {
  const cooked = minutes === null ? 2 : atMost(1, minutes, 30);
  const [fat, ...more] = b.melted;
  const last = b.last();
  if (fat !== undefined && more.length === 0 && !b.wet && last?.kind !== 'sweat' && last?.kind !== 'render') {
    const colour = /\b(?:dark|chocolate)\b/i.test(text)
      ? 'dark'
      : /\b(?:nutty|golden|blond|straw)/i.test(text)
        ? 'blond'
        : /\bbrown\b/i.test(text)
          ? 'brown'
          : 'white';
    const rule = b.open.dose ? 'to match' : (b.lines[fat] as ReviewedLine).amount;
    b.whens.set(fat, 'thickener');
    b.push({
      kind: 'roux',
      flour: b.portion(n, 'thickener'),
      fat: { ...portion(b.lines[fat] as ReviewedLine), amount: rule },
      rule: 'weight',
      colour,
      minutes: cooked,
    });
    b.melted = [];
    return;
  }
  sweat(b, [], null, text);
  if (b.wet) {
    b.push({
      kind: 'thicken',
      method: 'slurry',
      thickener: b.portion(n, 'thickener'),
      carrier: { ingredient: 'water', amount: 'to match', celsius: 10 },
      minutes: cooked,
      lid: 'off',
    });
    return;
  }
  b.push({
    kind: 'dust',
    flour: b.portion(n, 'thickener'),
    minutes: cooked,
    look: 'no dry flour, it drags on the spoon',
  });
}

const GOLDEN = /golden|caramel|\bbrown|\bcolou?red\b/i;
const UNCOLOURED = /\b(?:not|without|no|never|before)\b[^,.;]{0,16}\b(?:colou?r|brown)/i;

/** What is cooked in fat before anything is poured, with what was melted for it. */
function sweat(b: Building, lines: readonly number[], minutes: number | null, text: string): void {
  const all = [...b.melted, ...lines];
  b.melted = [];
  if (all.length === 0) {
    // "Cook for 5 minutes more": the same as before, longer.
    const last = b.last();
    if (minutes !== null && last?.kind === 'sweat')
      last.minutes = atMost(1, (b.unsaid === last ? 0 : last.minutes) + minutes, 60);
    return;
  }
  const cured = all.filter((n) => b.food(n).group === 'cured meat');
  const took = atMost(1, minutes ?? 8, 60);
  if (cured.length > 0 && all.every((n) => cured.includes(n) || isFat(b, n))) {
    b.push({ kind: 'render', items: all.map((n) => b.portion(n, 'rendered')), minutes: took, keep: 1 });
    return;
  }
  const step: StepText = {
    kind: 'sweat',
    items: all.map((n) => b.portion(n, 'sweated')),
    minutes: took,
    to: GOLDEN.test(text) && !UNCOLOURED.test(text) ? 'gold' : 'translucent',
  };
  b.push(step);
  if (minutes === null) b.unsaid = step;
}

const simmering: Extract<StepText, { kind: 'bring-to' }> = {
  kind: 'bring-to',
  to: 'simmer',
  flame: 0.8,
  lid: 'off',
  look: 'bubbles at the rim; stir the bottom',
};

/** What goes into the pot at once, each in its own way. */
function add(b: Building, clause: Clause): void {
  const { text, minutes } = clause;
  const lines = [...clause.lines];
  const take = (is: (n: number) => boolean) => {
    const those = lines.filter(is);
    for (const n of those) lines.splice(lines.indexOf(n), 1);
    return those;
  };
  const yolks = take((n) => isYolk(b, n));
  for (const n of take((n) => isWheat(b, n))) flour(b, n, clause);
  const starches = take((n) => isStarch(b, n));
  if (!b.wet) {
    const poured = lines.some((n) => isWet(b.food(n).id));
    const dry = take(
      (n) => !poured && (b.food(n).group === 'vegetable' || b.food(n).group === 'cured meat' || isFat(b, n)),
    );
    if (dry.length > 0) sweat(b, dry, minutes, text);
  }
  const late = take((n) => b.food(n).group === 'seafood' && b.wet);
  const seasonings = take((n) => b.food(n).group === 'seasoning' && !b.food(n).id.includes('lea'));
  if (yolks.length > 0 && b.wet) {
    const cream = take((n) => b.food(n).group === 'dairy');
    b.push({ kind: 'rest', minutes: 10, lid: 'off', look: 'under 85 °C before the yolks' });
    b.push({
      kind: 'temper',
      items: [...yolks, ...cream].map((n) => b.portion(n, 'dairy at the end')),
      warmTo: 60,
      to: 80,
      flame: 0.3,
      look: 'coats, never bubbles',
    });
  }
  if (lines.length > 0) {
    const poured = lines.some((n) => isWet(b.food(n).id));
    if (poured) sweat(b, [], null, text);
    const thick = b.steps.some((s) => s.kind === 'dust' || s.kind === 'roux');
    const dairyLate = (n: number) => b.wet && ['dairy', 'cheese', 'egg'].includes(b.food(n).group);
    const when = (n: number): When =>
      dairyLate(n) ? 'dairy at the end' : isWet(b.food(n).id) ? 'liquid' : 'simmered';
    const step: Adding = {
      kind: 'add',
      items: lines.map((n) => b.portion(n, when(n))),
      ...(poured &&
        (thick || /gradual|little by little|slowly|whisk/i.test(text)) &&
        !b.wet && { gradually: true }),
      ...(minutes !== null && b.wet && !poured && { minutes: atMost(0.5, minutes, 60) }),
    };
    b.push(step);
    b.wet ||= poured;
  }
  if (late.length > 0)
    b.push({
      kind: 'poach',
      items: late.map((n) => b.portion(n, 'poached at the end')),
      at: 80,
      lid: 'on',
      ...(minutes !== null && { minutes: atMost(1, minutes, 30) }),
    });
  for (const n of starches) slake(b, n, minutes);
  if (seasonings.length > 0)
    b.push({ kind: 'season', items: seasonings.map((n) => b.portion(n, 'seasoning')) });
}

const WARM: StepText = {
  kind: 'bring-to',
  to: 85,
  flame: 0.5,
  lid: 'off',
  look: 'steam, no bubbles: it must not boil now',
};

function slake(b: Building, n: number, minutes: number | null): void {
  b.push({
    kind: 'thicken',
    method: 'slurry',
    thickener: b.portion(n, 'thickener'),
    carrier: { ingredient: 'water', amount: 'to match', celsius: 10 },
    minutes: atMost(1, minutes ?? 2, 30),
    lid: 'off',
  });
}

function shareSaid(text: string): number | null {
  if (/\bby (?:a|one) third\b/i.test(text)) return 0.67;
  if (/\b(?:by|to)? ?(?:a )?half\b/i.test(text)) return 0.5;
  if (/\bto (?:a|one) third\b|\bby two thirds\b/i.test(text)) return 0.33;
  if (/\bto (?:a|one) quarter\b/i.test(text)) return 0.25;
  if (/\b(?:almost|nearly) (?:dry|gone|evaporated)|\bsyrup/i.test(text)) return 0.2;
  return null;
}

/** One clause done. */
function does(b: Building, clause: Clause): void {
  const { text, deed, minutes, lines } = clause;
  if (deed === 'roast') {
    if (lines.length === 0) return;
    const tray = clause.pan ?? { name: 'tray', as: 'tray' as const, celsius: null };
    b.goTo(tray.as === 'tray' ? tray : { name: 'tray', as: 'tray', celsius: null });
    b.push({
      kind: 'roast',
      items: lines.map((n) => b.portion(n, 'roasted')),
      at: tray.celsius ?? OVEN,
      minutes: atMost(1, minutes ?? ROASTS, 240),
    });
    b.goTo(null);
    return;
  }
  if (deed === 'aside') {
    // What waits in a pan of its own waits there.
    if (b.pan !== THE_POT || !b.here.full || b.beside().length > 0) return;
    if (b.melted.length > 0) sweat(b, [], null, text);
    const wet = b.wet;
    b.steps.push({ kind: 'pour', in: BOWL, takes: wet ? 'pieces' : 'all' });
    b.here.full = wet;
    b.goTo({ name: BOWL, as: 'bowl', celsius: null });
    b.here.full = true;
    b.goTo(null);
    return;
  }
  if (deed === 'back' || (b.beside().length > 0 && goesIntoTheSoup(text) && lines.length === 0)) {
    for (const name of b.beside()) b.pourOut(name);
    b.goTo(null);
    if (lines.length > 0) add(b, { ...clause, deed: 'add' });
    return;
  }
  if (b.pan !== THE_POT && goesIntoTheSoup(text) && lines.length > 0) {
    // "Brown them and add to the pot with the stock": what is new goes into the pot.
    const from = b.pan;
    b.goTo(null);
    b.pourOut(from);
  }
  if (deed === 'slake') {
    const thick = lines.filter((n) => isStarch(b, n) || isWheat(b, n));
    // What it is slaked in is poured with it: of a recipe's own liquids none is taken twice.
    for (const n of lines.filter((l) => !thick.includes(l))) add(b, { ...clause, deed: 'add', lines: [n] });
    for (const n of thick) slake(b, n, minutes);
    return;
  }
  if (deed === 'melt') {
    b.melted.push(...lines.filter((n) => isFat(b, n)));
    const others = lines.filter((n) => !isFat(b, n));
    if (others.length > 0) add(b, { ...clause, lines: others });
    return;
  }
  if (deed === 'fry' || (deed === 'simmer' && !b.wet)) {
    const wheat = lines.filter((n) => isWheat(b, n));
    const poured = lines.filter((n) => isWet(b.food(n).id));
    const rest = lines.filter((n) => !wheat.includes(n) && !poured.includes(n));
    if (b.wet) {
      if (rest.length > 0) add(b, { ...clause, lines: rest });
      return;
    }
    if (rest.length > 0 || wheat.length === 0) {
      if (rest.length > 0 || minutes !== null) {
        const last = b.last();
        if (rest.length === 0 && (last?.kind === 'dust' || last?.kind === 'roux'))
          last.minutes = atMost(1, minutes ?? 2, 30);
        else sweat(b, rest, minutes, text);
      }
    }
    for (const n of wheat) flour(b, n, clause);
    if (poured.length > 0) add(b, { ...clause, lines: poured });
    return;
  }
  if (lines.length > 0 && deed !== 'finish')
    add(b, { ...clause, minutes: deed === 'add' || deed === 'season' ? minutes : null });
  if (deed === 'finish' && lines.length > 0) {
    const eaten = lines.filter((n) => b.food(n).group === 'seasoning');
    if (eaten.length > 0) b.push({ kind: 'season', items: eaten.map((n) => b.portion(n, 'seasoning')) });
    const others = lines.filter((n) => !eaten.includes(n));
    if (others.length > 0 && b.wet)
      b.push({ kind: 'add', items: others.map((n) => b.portion(n, 'dairy at the end')) });
    return;
  }
  if (!b.wet) return;
  const last = b.last();
  if (deed === 'bring') {
    if (last?.kind !== 'bring-to')
      b.push({ ...simmering, to: /boil/i.test(text) && !/simmer/i.test(text) ? 'boil' : 'simmer' });
    if (minutes !== null) b.push({ kind: 'simmer', minutes: atMost(1, minutes, 240), lid: 'ajar' });
  }
  if (deed === 'simmer' && last?.kind === 'poach') {
    if (minutes !== null) last.minutes = atMost(1, minutes, 30);
    return;
  }
  if (deed === 'simmer' && (minutes !== null || /tender|soft|thick/i.test(text))) {
    const before = b.steps.findLast((s) => s.kind !== 'season');
    const dairy =
      before?.kind === 'add' &&
      before.items.every((i) => ['dairy', 'cheese'].includes(ingredient(i.ingredient).group));
    if (before?.kind === 'add' && !dairy) b.push({ ...simmering });
    b.push({
      kind: 'simmer',
      minutes: atMost(1, minutes ?? 15, 240),
      ...(/tender|soft/i.test(text) && { untilTender: true }),
      lid: /\buncovered\b|without a lid/i.test(text) ? 'off' : /\bcover|\blid\b/i.test(text) ? 'on' : 'ajar',
    });
  }
  if (deed === 'reduce') {
    const share = shareSaid(text);
    const wine = last?.kind === 'add' && last.items.every((i) => ingredient(i.ingredient).group === 'wine');
    if (share !== null) b.push({ kind: 'reduce', flame: 0.8, to: wine ? { ofLast: share } : { share } });
    else if (minutes !== null)
      b.push({ kind: 'reduce', flame: 0.8, to: { minutes: atMost(1, minutes, 120) } });
  }
  if (deed === 'blend' && last?.kind !== 'puree') {
    const part = /\b(half|some|a third|two thirds|part)\b/i.exec(text)?.[1]?.toLowerCase();
    const fraction =
      part === 'a third' || part === 'some' || part === 'part'
        ? '1/3'
        : part === 'two thirds'
          ? '2/3'
          : part === 'half'
            ? '1/2'
            : 'all';
    const tool = /\bmash/i.test(text)
      ? 'masher'
      : /\b(?:jug|blender|processor|liquidi)/i.test(text) && !/stick|immersion|hand/i.test(text)
        ? 'jug blender'
        : 'stick blender';
    b.push({ kind: 'puree', fraction, tool });
  }
  if (deed === 'strain') b.push({ kind: 'strain' });
  if (deed === 'rest' && minutes !== null)
    b.push({ kind: 'rest', minutes: atMost(1, minutes, 120), lid: 'on' });
  if (deed === 'warm') b.push({ ...WARM });
}

/** Where a line that the method never speaks of goes, by when it usually does. */
function place(b: Building, n: number, when: When): void {
  const item = b.portion(n, when);
  if (when === 'roasted') {
    const tray = b.steps.find((s) => s.kind === 'roast');
    if (tray?.kind === 'roast') tray.items.push(item);
    else {
      b.goTo({ name: 'tray', as: 'tray', celsius: null });
      b.here.full = true;
      b.steps.unshift({ kind: 'roast', in: 'tray', items: [item], at: OVEN, minutes: ROASTS });
      b.goTo(null);
    }
    return;
  }
  const into = (find: (s: StepText) => boolean): boolean => {
    const step = b.steps.find(find);
    if (!step || !('items' in step)) return false;
    (step.items as PortionText[]).push(item);
    return true;
  };
  const before = (kind: StepText['kind'], step: StepText) => {
    const at = b.steps.findIndex((s) => s.kind === kind);
    if (at < 0) b.steps.push(step);
    else b.steps.splice(at, 0, step);
  };
  if (when === 'rendered') {
    if (!into((s) => s.kind === 'render'))
      b.steps.unshift({ kind: 'render', items: [item], minutes: 8, keep: 1 });
  } else if (when === 'sweated') {
    if (!into((s) => s.kind === 'sweat'))
      b.steps.unshift({ kind: 'sweat', items: [item], minutes: 8, to: 'translucent' });
  } else if (when === 'thickener') {
    if (isWheat(b, n))
      before('add', { kind: 'dust', flour: item, minutes: 2, look: 'no dry flour, it drags on the spoon' });
    else slake(b, n, null);
  } else if (when === 'liquid') {
    if (!into((s) => s.kind === 'add' && s.items.some((i) => isWet(i.ingredient))))
      before('simmer', { kind: 'add', items: [item] });
  } else if (when === 'simmered') {
    if (!into((s) => s.kind === 'add')) before('simmer', { kind: 'add', items: [item] });
  } else if (when === 'poached at the end') b.push({ kind: 'poach', items: [item], at: 80, lid: 'on' });
  else if (when === 'dairy at the end') {
    const late = (s: StepText) =>
      s.kind === 'add' && s.items.some((i) => ingredient(i.ingredient).group === 'dairy');
    if (!into(late)) b.push({ kind: 'add', items: [item] }, { ...WARM });
  } else if (!into((s) => s.kind === 'season')) b.push({ kind: 'season', items: [item] });
}

/** What nobody said when to pour: before the pot is next simmered, blended or seasoned, else last. */
function joined(b: Building): void {
  for (const name of b.beside()) {
    const after = b.steps.findLastIndex((s) => panOf(s) === name);
    const next = b.steps.findIndex(
      (s, n) => n > after && panOf(s) === THE_POT && ['simmer', 'puree', 'season', 'strain'].includes(s.kind),
    );
    b.pourOut(name, next < 0 ? b.steps.length : next);
  }
}

/** What lies in the pot by the time it boils: lines the method never speaks of, in the order cooks work. */
function fill(b: Building, unspoken: readonly number[]): void {
  const of = (when: When) => unspoken.filter((n) => !b.whens.has(n) && b.lines[n]?.when === when);
  sweat(b, [], null, '');
  for (const when of ['rendered', 'sweated'] as const) for (const n of of(when)) place(b, n, when);
  for (const n of of('thickener').filter((l) => isWheat(b, l)))
    flour(b, n, { text: '', deed: 'add', minutes: null, lines: [], pan: null });
  const liquids = of('liquid');
  if (liquids.length > 0) add(b, { text: '', deed: 'add', minutes: null, lines: liquids, pan: null });
  const simmered = of('simmered');
  if (simmered.length > 0) add(b, { text: '', deed: 'add', minutes: null, lines: simmered, pan: null });
}

/** Whether a clause speaks of a pot that has liquid in it. */
const isBoiled = ({ deed, text }: Clause): boolean =>
  ['bring', 'reduce', 'blend', 'strain', 'warm'].includes(deed) ||
  (deed === 'simmer' && /simmer|boil|bubble|poach/i.test(text));

/**
 * The steps of a soup as its method tells them: each clause a step of ours where it does something to the pot, with
 * what it speaks of and how long it says. Lines it never speaks of go where they usually do; lines somebody put
 * elsewhere (`when` against `suggested`) go there. With it, where each line went. `null` where the method tells nothing.
 */
export function toldSteps(
  lines: readonly ReviewedLine[],
  instructions: readonly string[],
  open: LeftOpen,
  suggested: readonly When[] | null = null,
): {
  readonly steps: RecipeText['steps'];
  readonly whens: ReadonlyMap<number, When>;
  /** Pans beside the pot that it speaks of. */
  readonly pans: NonNullable<RecipeText['pans']>;
} | null {
  const { clauses } = clausesOf(
    instructions,
    lines.map((l) => ({ ingredient: l.ingredient, text: l.ingredient })),
  );
  if (clauses.length === 0) return null;
  const b = new Building(lines, open);
  const moved = (n: number) => suggested !== null && suggested[n] !== lines[n]?.when;
  const spoken = new Set(clauses.flatMap((c) => c.lines.filter((n) => !moved(n))));
  const unspoken = [...lines.keys()].filter((n) => !spoken.has(n));
  for (const clause of clauses) {
    b.goTo(null);
    if (!b.wet && isBoiled(clause) && !clause.pan) fill(b, unspoken);
    if (clause.deed !== 'roast') b.goTo(clause.pan?.as === 'tray' ? null : clause.pan);
    does(b, { ...clause, lines: clause.lines.filter((n) => !b.whens.has(n) && !moved(n)) });
  }
  b.goTo(null);
  if (b.melted.length > 0) sweat(b, [], null, '');
  if (!b.wet && !lines.some((l) => isWet(l.ingredient))) return null;
  for (const [n, line] of lines.entries()) if (!b.whens.has(n)) place(b, n, line.when);
  if (!b.steps.some((s) => s.kind === 'add')) return null;
  joined(b);
  const pans = [...b.pans].flatMap(([name, { as }]) =>
    b.steps.some((s) => panOf(s) === name || (s.kind === 'pour' && s.from === name)) && name !== THE_POT
      ? [{ name, as }]
      : [],
  );
  return { steps: b.steps, whens: b.whens, pans };
}
