import { CircleAlert, CircleCheck, CircleX } from 'lucide-react';
import type { Compared } from '../../core/compare/compare';
import type { Fit } from '../../core/compare/fits';
import { term } from '../../core/message/term';
import { type Say, useSay } from './hooks/useSay';

const ICON = { fits: CircleCheck, 'with care': CircleAlert, 'does not fit': CircleX } as const;

/** A grade in a word and a shape; `plain` where the ground is not the page's own. */
export function Grade({ fit, plain = false }: { fit: Fit; plain?: boolean }) {
  const say = useSay();
  const Icon = ICON[fit.grade];
  const colour = plain
    ? ''
    : fit.grade === 'fits'
      ? 'text-chive'
      : fit.grade === 'with care'
        ? ''
        : 'text-tomato';
  return (
    <span className={`inline-flex items-center gap-1 whitespace-nowrap font-bold ${colour}`}>
      <Icon size={20} aria-hidden />
      {say('{grade}', { grade: { opening: term(fit.grade) } })}
    </span>
  );
}

/** What is weighed for a way: "135 g Cornstarch + 1 620 g Heavy cream". */
export const doseWords = (c: Compared, say: Say): string =>
  c.blend === null
    ? c.doses
        .map((d) =>
          say('{grams} {what}', {
            grams: { g: d.g },
            what: { within: term(d.name.split(',')[0] ?? d.name) },
          }),
        )
        .reverse()
        .join(' + ')
    : say('{blend} % of the pot blended', { blend: Math.round(c.blend * 100) });
