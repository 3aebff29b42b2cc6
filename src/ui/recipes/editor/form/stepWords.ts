import { ingredient, isIngredient } from '../../../../core/food/catalogue';
import { type Message, message } from '../../../../core/message/message';
import { term } from '../../../../core/message/term';
import type { Say } from '../../../shared/hooks/useSay';
import type { StepFields } from './form';

const shortName = (id: string, say: Say): string =>
  isIngredient(id)
    ? say('{what}', { what: { within: term(ingredient(id).name.split(',')[0] ?? id) } })
    : id || '…';

/** A step in a line: "butter 150 g, leek 450 g · 9 min". */
export function summary(f: StepFields, say: Say): string {
  const portions = [f.fat, f.flour, f.thickener, f.carrier, ...f.items].flatMap((i) =>
    i ? [`${shortName(i.ingredient, say)} ${i.amount}`] : [],
  );
  const { minutes, to, fraction, at } = f.values;
  const more = [
    minutes ? say('{minutes} min', { minutes: String(minutes) }) : '',
    to
      ? Number.isNaN(Number(to))
        ? say('to {to}', { to: term(String(to)) })
        : say('to {to}', { to: { celsius: Number(to) } })
      : '',
    fraction ? say(term(String(fraction))) : '',
    at ? say('at {at}', { at: Number.isNaN(Number(at)) ? String(at) : { celsius: Number(at) } }) : '',
  ].filter(Boolean);
  return [portions.join(', '), more.join(', ')].filter(Boolean).join(' · ');
}

/** What may be lifted out, each ingredient once, and each go of it where it went in more than once. */
export function goesOf(
  used: readonly string[],
): readonly { readonly name: string; readonly words: Message }[] {
  return [...new Set(used)].flatMap((id) => {
    const { name } = ingredient(id);
    const goes = used.filter((u) => u === id).length;
    const each = Array.from({ length: goes }, (_, n) => ({
      name: `${id}#${n + 1}`,
      words: message('{name}, go {n}', { name: term(name), n: n + 1 }),
    }));
    return [{ name: id, words: term(name) }, ...(goes > 1 ? each : [])];
  });
}
