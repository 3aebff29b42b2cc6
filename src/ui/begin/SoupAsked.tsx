'use client';

import { clsx } from 'clsx';
import { holding } from '../../core/heat/vessel';
import type { House } from '../../core/kitchen/house';
import { term } from '../../core/message/term';
import type { RecipeText } from '../../core/recipe/recipe';
import { SCHOOL_LITRES, SCHOOLS, type School } from '../../core/recipe/schools';
import { SchoolDrawing } from '../shared/draw/SchoolDrawing';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON } from '../shared/styles';
import { BIG } from './Chosen';

/** A soup of a way of thickening, as it is written to begin from. */
function soupOf(
  { id, school, steps, pans }: School,
  name: string,
  { vessels, burners }: House,
): RecipeText | null {
  const vessel = holding(vessels, SCHOOL_LITRES * 1250)[0] ?? vessels[0];
  const [burner] = burners;
  return vessel && burner
    ? {
        format: pans ? 'panache.recipe/2' : 'panache.recipe/1',
        id: `first-${id}`,
        name,
        school,
        yieldLitres: SCHOOL_LITRES,
        band: 'Coating',
        home: { vessel, burner },
        ...(pans && { pans }),
        steps,
      }
    : null;
}

type Props = {
  readonly house: House;
  readonly samples: readonly RecipeText[];
  readonly picked: string | null;
  readonly onPick: (soup: RecipeText) => void;
};

/** Ways of thickening, four soups to try, or one's own. */
export function SoupAsked({ house, samples, picked, onPick }: Props) {
  const say = useSay();
  const look = (id: string) =>
    clsx(
      BIG,
      'flex w-full items-center gap-4',
      picked === id ? 'bg-butter text-on-butter hover:bg-butter' : 'bg-surface',
    );
  return (
    <div className="grid gap-5">
      <section aria-label={say('Soups to try')}>
        <h2 className="pb-2 font-bold text-[21px]">{say('A soup to try; taken out again with one tap')}</h2>
        <ul className="grid gap-3 min-[720px]:grid-cols-2">
          {samples.map((s) => (
            <li key={s.id}>
              <button type="button" className={look(s.id)} onClick={() => onPick(s)}>
                <span>
                  <b className="block">{s.name}</b>
                  <span className="block text-[16px]">{say(term(s.school))}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label={say('Ways of thickening')}>
        <h2 className="pb-2 font-bold text-[21px]">{say('Or one of your own, by how it is thickened')}</h2>
        <ul className="grid gap-3 min-[720px]:grid-cols-2 min-[1100px]:grid-cols-3">
          {SCHOOLS.map((s) => (
            <li key={s.id}>
              <button
                type="button"
                className={look(`first-${s.id}`)}
                onClick={() => {
                  const soup = soupOf(s, say(s.words), house);
                  if (soup) onPick(soup);
                }}
              >
                <SchoolDrawing id={s.id} />
                <span className="min-w-0">
                  <b className="block">{say(s.words)}</b>
                  <span className="block text-[16px] text-quiet">{say(s.says)}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <p>
        <Link href="/recipes/import" className={BUTTON}>
          {say('I have a recipe: paste it or choose a file')}
        </Link>
      </p>
    </div>
  );
}
