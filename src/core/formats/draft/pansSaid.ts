import type { PanKind } from '../../pot/pans/pan';

/** A pan as a method speaks of it. */
export type PanSaid = { readonly name: string; readonly as: PanKind; readonly celsius: number | null };

/** The pan the soup itself is made in, wherever the method says so. */
const MAIN =
  /\b(?:soup ?pot|stock ?pot|dutch oven|casserole|(?:large|big|main|heavy|deep|wide)(?:[- ]based|[- ]bottomed)? (?:sauce)?pan|(?:large|big|heavy|deep) pot|the pot|the soup)\b/i;

const SKILLET = /\b(skillet|frying[- ]?pan|saut[ée][- ]?pan)\b/i;
const APART =
  /\bin (?:a|an|another) (?:(?:separate|second|small|smaller|medium|other|clean|little)(?:,? (?:heavy|dry|hot))? (saucepan|pan|pot)|another (pan|pot))\b|\bin another (saucepan|pan|pot)\b/i;
const OVEN = /\b(?:oven|baking (?:sheet|tray)|roasting (?:tin|tray|pan)|sheet pan)\b/i;

/** °C an oven is set to in a text; null where none is said. */
export function ovenIn(text: string): number | null {
  const gas = /\bgas (?:mark )?(\d)\b/i.exec(text);
  const m = /(\d{2,3})\s*°?\s*(c|f)\b/i.exec(text) ?? /\boven (?:at|to) (\d{3})()/i.exec(text);
  if (m) {
    const figure = Number(m[1]);
    const fahrenheit = m[2]?.toLowerCase() === 'f' || (m[2] === '' && figure > 280);
    const celsius = fahrenheit ? ((figure - 32) * 5) / 9 : figure;
    return celsius >= 80 && celsius <= 300 ? Math.round(celsius / 5) * 5 : null;
  }
  return gas ? Math.round((121 + 14 * Number(gas[1])) / 5) * 5 : null;
}

/**
 * The pan beside the pot that a clause says it is done in; null where it says none. `soup` is whether the method names the
 * pot of the soup anywhere: where it does not, its one skillet is that pot.
 */
export function panSaid(text: string, soup: boolean): PanSaid | null {
  if (
    OVEN.test(text) &&
    !/\bpreheat|\bheat the oven\b/i.test(text.replace(/\bin (?:a|the) preheated\b/gi, 'in the'))
  )
    return { name: 'tray', as: 'tray', celsius: ovenIn(text) };
  if (!soup) return null;
  const skillet = SKILLET.exec(text)?.[1];
  if (skillet) return { name: /skillet/i.test(skillet) ? 'skillet' : 'frying pan', as: 'pan', celsius: null };
  const apart = APART.exec(text);
  const found = apart?.[1] ?? apart?.[2] ?? apart?.[3];
  return found ? { name: `other ${found.toLowerCase()}`, as: 'pot', celsius: null } : null;
}

/** Whether a method names the pot its soup is made in, beside any skillet. */
export const namesTheSoupPot = (instructions: readonly string[]): boolean =>
  instructions.some((t) => MAIN.test(t) || /\b(?:saucepan|pot)\b/i.test(t));

/** Whether a text speaks of the pot of the soup. */
export const saysTheSoupPot = (text: string): boolean => MAIN.test(text);

/** What is cooked beside goes into the soup: "add to the pot", "stir into the soup", "return to the pan". */
export const goesIntoTheSoup = (text: string): boolean =>
  /\b(?:add|return|put|stir|pour|scrape|tip|whisk|mix|fold|transfer)\b[^.;]{0,70}\b(?:back )?(?:to|into|in) (?:the )?(?:soup|stock|main|big|large)?\s*(?:pot|soup|saucepan|pan|mixture|stock|base|chowder|bisque)\b/i.test(
    text,
  );

/** What is taken out of the pot to wait. */
export const isSetAside = (text: string): boolean =>
  /\bset (?:them |it |these |this )?aside\b|\b(?:transfer|remove|lift|scoop|tip)\b[^.;]{0,60}\b(?:plate|bowl|dish)\b/i.test(
    text,
  );
