'use client';

import { FilePlus2, FileUp, Search, Trash2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type RefObject, useCallback, useRef, useState } from 'react';
import type { Allergen } from '../../core/food/ingredient';
import { term } from '../../core/message/term';
import { isSample, type Listed, type RecipeList } from '../../core/recipe/listed';
import { shortDay } from '../../core/service/words/dayWords';
import { dayOf } from '../../core/units/clock';
import { askedVolume } from '../../core/units/shown/show';
import { BY_THE_LIST } from '../../core/words/allergens';
import { ask, problemWords } from '../device/line/api';
import { useShortcut } from '../frame/keys/Shortcuts';
import { Spoon } from '../shared/draw/Spoon';
import { Pick } from '../shared/form/Field';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Link } from '../shared/Link';
import { BUTTON, FIELD, PRIMARY } from '../shared/styles';
import { allergensAmong, findRecipes, type ListOrder, landingOf, ORDERS } from './finding';
import { Problems } from './import/Problems';
import { useDropped } from './import/useDropped';
import { useOpen } from './import/useOpen';
import { useList } from './useList';

/** How many are shown at first: a long list is found in by a word sooner than by scrolling. */
const A_SCREEN = 24;

/** The house's soups: found by name, school or what is in them; opened to be changed, or planned. */
export function RecipesView({ first }: { first: RecipeList }) {
  const say = useSay();
  const { recipes, all, landed, without: taken } = useList(first);
  const [text, setText] = useState('');
  const [which, setWhich] = useState<Which>('use');
  const router = useRouter();
  const toReview = useCallback(() => router.push('/recipes/import'), [router]);
  const box = useRef<HTMLInputElement>(null);
  useShortcut('find', () => box.current?.focus());
  const { busy, name, problems, open } = useOpen(toReview);
  const dropped = useDropped((what, from) => void open(what, from), say('What was pasted'));
  const here = recipes.filter((r) => r.archived === (which === 'away'));
  const [without, setWithout] = useState<Allergen | null>(null);
  const [order, setOrder] = useState<ListOrder>('house');
  const { shown, unsure } = findRecipes(here, { text, without, order });
  const [most, setMost] = useState(A_SCREEN);
  const search = (words: string) => {
    setText(words);
    setMost(A_SCREEN);
  };
  return (
    <div className="flex h-full flex-col" {...dropped}>
      <Head box={box} text={text} onText={search} which={which} onWhich={setWhich} />
      <div className="min-h-0 flex-1 overflow-y-auto px-5 py-3">
        {busy && (
          <p role="status" className="pb-2 font-bold">
            {say('Reading …')}
          </p>
        )}
        <Problems name={name} problems={problems} />
        <div className="grid grid-cols-2 items-center gap-3 pb-3 min-[720px]:grid-cols-[220px_270px_1fr]">
          <Narrowed {...{ here, without, setWithout, order, setOrder }} />
          <Counted {...{ recipes, all, landed, which, unsure }} shown={shown.length} here={here.length} />
        </div>
        {without && <p className="pb-2 text-quiet">{say(BY_THE_LIST)}</p>}
        <ul className="grid grid-cols-1 gap-2 min-[1100px]:grid-cols-2">
          {shown.slice(0, most).map((r) => (
            <Row key={r.id} recipe={r} onGone={taken} />
          ))}
        </ul>
        {shown.length > most && (
          <p className="py-3 text-center">
            <button type="button" className={BUTTON} onClick={() => setMost((m) => m + A_SCREEN * 4)}>
              {say('Show {count} more', { count: Math.min(A_SCREEN * 4, shown.length - most) })}
            </button>
          </p>
        )}
        {shown.length === 0 && (
          <p className="py-8 text-center text-[21px]">
            {here.length === 0 && which === 'away'
              ? say('Nothing is put away.')
              : here.length === 0
                ? say('No recipes yet: make a new one, or drop or paste one here.')
                : say('No recipe has “{text}” in it.', { text })}
          </p>
        )}
      </div>
    </div>
  );
}

type Which = 'use' | 'away';

type HeadProps = {
  readonly box: RefObject<HTMLInputElement | null>;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly which: Which;
  readonly onWhich: (which: Which) => void;
};

function Head({ box, text, onText, which, onWhich }: HeadProps) {
  const say = useSay();
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
      <h1 className="font-bold text-[27px]">{say('Recipes')}</h1>
      <div className="relative min-w-56 flex-1">
        <Search aria-hidden className="pointer-events-none absolute top-4 left-3" />
        <input
          ref={box}
          type="search"
          value={text}
          onChange={(e) => onText(e.target.value)}
          aria-label={say('Find a recipe by name, way of thickening or ingredient')}
          placeholder={say('leek, chowder, cornstarch …')}
          className={`pl-11 ${FIELD}`}
        />
      </div>
      <Segments
        label={say('Which')}
        value={which}
        onChange={onWhich}
        options={[
          { value: 'use', words: say('In use') },
          { value: 'away', words: say('Put away') },
        ]}
      />
      <Link href="/recipes/import" className={BUTTON}>
        <FileUp size={22} aria-hidden /> {say('From a file')}
      </Link>
      <Link href="/recipes/start" className={PRIMARY}>
        <FilePlus2 size={22} aria-hidden /> {say('New')}
      </Link>
    </header>
  );
}

type NarrowedProps = {
  readonly here: readonly Listed[];
  readonly without: Allergen | null;
  readonly setWithout: (without: Allergen | null) => void;
  readonly order: ListOrder;
  readonly setOrder: (order: ListOrder) => void;
};

/** Without what, and in what order. */
function Narrowed({ here, without, setWithout, order, setOrder }: NarrowedProps) {
  const say = useSay();
  return (
    <>
      <Pick
        id="recipes-without"
        label={say('Without what')}
        hideLabel
        value={without ?? ''}
        onChange={(e) => setWithout((e.target.value || null) as Allergen | null)}
      >
        <option value="">{say('Anything in it')}</option>
        {allergensAmong(here).map((a) => (
          <option key={a} value={a}>
            {say('without {allergen}', { allergen: term(a) })}
          </option>
        ))}
      </Pick>
      <Pick
        id="recipes-order"
        label={say('In what order')}
        hideLabel
        value={order}
        onChange={(e) => setOrder(e.target.value as ListOrder)}
      >
        {Object.entries(ORDERS).map(([value, words]) => (
          <option key={value} value={value}>
            {say(words)}
          </option>
        ))}
      </Pick>
    </>
  );
}

type CountedProps = {
  readonly recipes: readonly Listed[];
  readonly all: number;
  readonly landed: number;
  readonly which: Which;
  readonly unsure: number;
  readonly shown: number;
  readonly here: number;
};

/** How many are shown of how many, and what is still on its way. */
function Counted({ recipes, all, landed, which, unsure, shown, here }: CountedProps) {
  const say = useSay();
  return (
    <p role="status" className="text-quiet max-[720px]:col-span-2">
      {say('{count} of {count2} {which, select, yes {in use} other {put away}}', {
        count: shown,
        count2: here,
        which: which === 'use' ? 'yes' : 'no',
      })}
      {recipes.length < all && say(' · {count} more are being fetched', { count: all - recipes.length })}
      {recipes.length === all &&
        landed < all &&
        say(' · where {landed} of {all} land is worked out', { landed, all })}
      {unsure > 0 && say(' · {count} not shown: their ingredients are not worked out yet', { count: unsure })}
    </p>
  );
}

/** Takes a sample away: for good where it was never cooked, out of use where it was. */
async function takeAway(id: string) {
  const gone = await ask('DELETE /api/recipes/[id]', { at: { id }, body: {} });
  return gone.ok ? gone : ask('POST /api/recipes/[id]/archive', { at: { id }, body: { archived: true } });
}

type RowProps = { readonly recipe: Listed; readonly onGone: (id: string) => void };

/** A recipe in the list: opened, or planned; a sample is taken away with one tap. */
function Row({ recipe: r, onGone }: RowProps) {
  const say = useSay();
  const show = useShow();
  const landing = landingOf(r);
  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    const answer = await takeAway(r.id);
    if (answer.ok) onGone(r.id);
    else setProblem(say(problemWords(answer.problems)));
  };
  return (
    <li className="flex min-h-22 items-stretch rounded-sm border-2 border-ink bg-surface">
      <Link
        href={`/recipes/${r.id}`}
        className="flex min-w-0 flex-1 items-center gap-3 px-4 py-2.5 hover:bg-butter/25 max-[720px]:gap-1 max-[720px]:px-3"
      >
        <span className="min-w-0 flex-1 leading-tight">
          <span className="line-clamp-2 font-bold text-[21px]">{r.name}</span>
          <span className="block truncate">{r.school}</span>
          <span className="block text-[15px] text-quiet">
            {landing
              ? say('for {litres} · version {version}', {
                  litres: askedVolume(landing.litres, show),
                  version: r.version,
                })
              : say('version {version}', { version: r.version })}
            {r.cookedAt !== null &&
              say(' · last cooked {day}', { day: shortDay(dayOf(new Date(r.cookedAt))) })}
          </span>
          {problem && (
            <span role="alert" className="block font-bold text-tomato">
              {problem}
            </span>
          )}
        </span>
        <span className="flex w-28 shrink-0 flex-col items-center leading-tight max-[720px]:w-18">
          {landing ? (
            <>
              <Spoon viscosity={landing.viscosity} width={72} />
              <b className={landing.lands === r.band ? '' : 'text-tomato'}>{say(term(landing.lands))}</b>
              {landing.lands !== r.band && (
                <span className="text-[15px] text-tomato">{say('says {band}', { band: term(r.band) })}</span>
              )}
            </>
          ) : (
            <span className="text-[15px] text-quiet">
              {r.landing === 'too much' ? say('too much to work out here: open it') : say('working it out …')}
            </span>
          )}
        </span>
      </Link>
      {isSample(r.id) && !r.archived && (
        <button
          type="button"
          onClick={() => void remove()}
          aria-label={say('Remove the sample {name}', { name: r.name })}
          className="grid w-16 shrink-0 place-items-center border-ink border-l-2 text-[14px] hover:bg-butter/25"
        >
          <Trash2 size={24} aria-hidden />
          {say('Remove')}
        </button>
      )}
      {!r.archived && (
        <Link
          href={landing ? `/plan?recipe=${r.id}&litres=${landing.litres}` : `/plan?recipe=${r.id}`}
          aria-label={say('Plan {name}', { name: r.name })}
          className="grid w-20 shrink-0 place-items-center border-ink border-l-2 font-bold max-[720px]:w-15 hover:bg-butter/25"
        >
          {say('Plan')}
        </Link>
      )}
    </li>
  );
}
