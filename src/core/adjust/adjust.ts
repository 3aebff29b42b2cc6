import { message } from '../message/message';
import { cureFor } from './cures/cures';
import type { Fault } from './faults';
import { thicker, together } from './means/thicker';
import { thinner } from './means/thinner';
import { unsalted } from './means/unsalted';
import type { Measured } from './measured';
import type { Cure, Option, Wishes } from './option';
import { type Means, tried } from './trial/trial';

/** What can be done about a pot: corrections best first, those that cannot be last; and cures. */
type Advice = { readonly options: readonly Option[]; readonly cures: readonly Cure[] };

/** Points of fat, %, by which a correction that adds more makes it a richer soup. Common practice, no source. */
const RICHER = 2;

/**
 * Side effects worth a place in the order: what it brings, forecloses, does to salt, acid and fat, and whether it
 * is what the soup is made of.
 */
const sides = (o: Option): number =>
  o.forecloses.length +
  o.effects.allergens.length * 2 +
  (o.effects.salt[1] - o.effects.salt[0] > 0.1 ? 2 : 0) +
  (o.effects.pH[0] - o.effects.pH[1] > 0.2 ? 2 : 0) +
  // Twice as rich is another soup to the tongue, and to the purse.
  (o.effects.fat[1] - o.effects.fat[0] > RICHER ? 2 : 0) +
  o.effects.strange +
  (o.isPair ? 2 : 0);

/** Chances this near are the same, and minutes. */
const SAME_CHANCE = 0.05;
const SAME_MINUTES = 2;

/** `list` in tiers: each holds what is no further than `same` from the tier's first. */
function tiers<T>(list: readonly T[], by: (item: T) => number, same: number): readonly (readonly T[])[] {
  const found: T[][] = [];
  for (const item of list.toSorted((a, b) => by(a) - by(b))) {
    const last = found.at(-1);
    if (last?.[0] !== undefined && by(item) - by(last[0]) <= same) last.push(item);
    else found.push([item]);
  }
  return found;
}

/** By chance, then time, then side effects; what mends a part stands below, what cannot be done last. */
export function ranked(options: readonly Option[]): readonly Option[] {
  const order = (list: readonly Option[]): readonly Option[] =>
    tiers(list, (o) => -o.chance, SAME_CHANCE).flatMap((alike) =>
      tiers(alike, (o) => o.minutes, SAME_MINUTES).flatMap((soon) =>
        soon.toSorted((a, b) => sides(a) - sides(b)),
      ),
    );
  return [
    ...order(options.filter((o) => o.struck === null && !o.partly)),
    ...order(options.filter((o) => o.struck === null && o.partly)),
    ...order(options.filter((o) => o.struck !== null)),
  ];
}

/** Drafts for a pot with these faults of dose. */
export function draftsFor(faults: ReadonlySet<Fault>, measured: Measured, wishes: Wishes): readonly Means[] {
  if (faults.has('too salty')) {
    // By the litre: wine would be another soup.
    const both = unsalted(measured, wishes, (group) => group !== 'wine');
    return faults.has('too thick') ? [...thinner(measured, wishes), ...both] : both;
  }
  if (faults.has('too thick')) return thinner(measured, wishes);
  return faults.has('too thin') ? thicker(measured, wishes) : [];
}

/** How many of the best go in pairs. */
const PAIRS = 2;

/** Two means together, where one alone takes too much of something or of the time. */
function pairs(
  measured: Measured,
  wishes: Wishes,
  drafts: readonly Means[],
  options: readonly Option[],
): readonly Means[] {
  const slurry = drafts.find((d) => d.isSlurry && options.find((o) => o.id === d.id)?.struck === null);
  if (!slurry) return [];
  const partners = ['blend', 'reduce'].flatMap((id) => {
    const draft = drafts.find((d) => d.id === id);
    const option = options.find((o) => o.id === id);
    if (!draft || !option) return [];
    const [first] = option.steps;
    const amount =
      first?.kind === 'puree'
        ? first.fraction
        : first?.kind === 'reduce' && 'minutes' in first.to
          ? first.to.minutes
          : 0;
    // Half of a few minutes' boil, or of a spoonful to blend, is not worth a second pan.
    return amount > (draft.unit === 'minutes' ? 8 : 0.1) ? [{ draft, amount }] : [];
  });
  return partners
    .slice(0, PAIRS)
    .map(({ draft, amount }) => together(measured, draft, amount, slurry, wishes.minutes));
}

/** Over the house's salt by this it is as salty to the tongue as before. Common practice, no source. */
const STILL_SALTY = 1.1;

/** Salt, points of %, by which a correction has to bring it down to help at all. Our assumption. */
const HELPS = 0.04;

/**
 * A correction of a salty pot that leaves it as salty corrects nothing; one that brings it part of the way stands, with
 * how far it gets.
 */
function unlessSalty(faults: ReadonlySet<Fault>, measured: Measured, o: Option): Option {
  const [was, left] = o.effects.salt;
  if (o.struck !== null || !faults.has('too salty') || left < measured.kitchen.saltPercent * STILL_SALTY)
    return o;
  if (was - left < HELPS)
    return { ...o, struck: message('it stays salty: {salt} %', { salt: left.toFixed(2) }) };
  const partly = message('part of the way: {was} to {left} % of salt, the house wants {wanted}', {
    was: was.toFixed(2),
    left: left.toFixed(2),
    wanted: String(measured.kitchen.saltPercent),
  });
  return { ...o, partly: true, forecloses: [partly, ...o.forecloses] };
}

/**
 * Corrections one after another, so that whoever waits sees them come: each draft solved and tried. With
 * `faults` of thickness and salt together, the salt fixes the liquid and the thickness the starch.
 */
export function* corrections(
  faults: ReadonlySet<Fault>,
  measured: Measured,
  wishes: Wishes,
): Generator<Option> {
  const drafts = draftsFor(faults, measured, wishes);
  const found: Option[] = [];
  for (const draft of drafts) {
    const option = unlessSalty(faults, measured, tried(measured, draft, wishes));
    found.push(option);
    yield option;
  }
  if (faults.has('too thin') && !faults.has('too salty'))
    for (const draft of pairs(measured, wishes, drafts, found)) yield tried(measured, draft, wishes);
}

/** Everything that can be done about `faults`. `again` is how long a new batch takes, s. */
export function adjust(
  faults: ReadonlySet<Fault>,
  measured: Measured,
  wishes: Wishes,
  again: number,
): Advice {
  return {
    options: ranked([...corrections(faults, measured, wishes)]),
    cures: [...faults].flatMap((f) => cureFor(f, measured, wishes, again) ?? []),
  };
}
