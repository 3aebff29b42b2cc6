'use client';

import { Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { middleOf } from '../../../core/flow/bands';
import type { Recipe } from '../../../core/recipe/recipe';
import { MOST_SOUPS } from '../../../core/service/bounds';
import { freeSoupId, type Service, type Soup, withCovers } from '../../../core/service/service';
import { ask } from '../../device/line/api';
import type { Shelf } from '../../order/stores';
import type { OnShelf } from '../../order/useShelf';
import { Pick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';
import { Whole } from './HouseSheet';
import { SoupForm } from './SoupForm';

type Props = {
  readonly service: Service;
  readonly stores: Shelf;
  readonly choose: OnShelf['choose'];
  readonly refused: OnShelf['refused'];
  readonly onChange: (next: Service) => void;
  readonly onClose: () => void;
};

/** On the pass where nobody has said when: noon. */
const NOON = 720;

/** The soups of a service: which, how much, when, whose. */
export function SoupsSheet({ service, stores, choose, refused, onChange, onClose }: Props) {
  const say = useSay();
  const [recipeId, setRecipeId] = useState(stores.soups[0]?.id ?? '');
  const { vessels, burners, kitchen } = stores.house;
  const full = service.soups.length >= MOST_SOUPS;
  const add = (recipe: Recipe) => {
    const at = service.soups[0]?.draws[0]?.at ?? NOON;
    const soup: Soup = {
      id: freeSoupId(service, recipe.id),
      order: {
        recipeId: recipe.id,
        target: Math.round(middleOf(recipe.band, kitchen.bandLimits)),
        vesselId: vessels.find((v) => v.id === recipe.home.vessel.id)?.id ?? vessels[0]?.id ?? '',
        burnerId: burners.find((b) => b.id === recipe.home.burner.id)?.id ?? burners[0]?.id ?? '',
      },
      amount: { litres: recipe.yieldLitres },
      draws: [{ at, part: 1 }],
      fresh: false,
    };
    onChange({ ...service, soups: [...service.soups, soup] });
  };
  const change = (id: string, to: Soup | null) =>
    onChange({
      ...service,
      soups: service.soups.flatMap((s) => (s.id === id ? (to ? [to] : []) : [s])),
      ...(to === null && {
        placed: Object.fromEntries(
          Object.entries(service.placed).filter(([key]) => key !== id && !key.startsWith(`${id}/`)),
        ),
      }),
    });
  return (
    <Sheet wide open onOpenChange={(open) => open || onClose()} title={say('Soups of the service')}>
      <div className="grid gap-3 p-4">
        <Covers service={service} onChange={onChange} />
        <ul className="grid gap-3">
          {service.soups.map((soup) => (
            <SoupForm
              key={`${soup.id} ${'share' in soup.amount}`}
              soup={soup}
              stores={stores}
              covers={service.covers}
              started={Object.keys(service.started).some((k) => k === soup.id || k.startsWith(`${soup.id}/`))}
              onChange={(to) => change(soup.id, to)}
            />
          ))}
        </ul>
        <div className="flex flex-wrap items-end gap-3 border-ink border-t-2 pt-3">
          <div className="min-w-64 flex-1">
            <Pick
              id="service-add"
              label={say('One more soup')}
              value={recipeId}
              onChange={(e) => setRecipeId(e.target.value)}
            >
              {stores.soups.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                </option>
              ))}
            </Pick>
          </div>
          <button type="button" onClick={() => choose(recipeId, add)} disabled={full} className={BUTTON}>
            <Plus size={22} aria-hidden /> {say('Add it')}
          </button>
        </div>
        {refused && (
          <p role="alert" className="font-bold text-tomato">
            {say(refused)}
          </p>
        )}
        {full && (
          <p className="font-bold">{say('A service has at most {most} soups.', { most: MOST_SOUPS })}</p>
        )}
      </div>
    </Sheet>
  );
}

/** How many are to eat; as on the last such days, where that is known. */
function Covers({ service, onChange }: { readonly service: Service; readonly onChange: Props['onChange'] }) {
  const say = useSay();
  const [usual, setUsual] = useState<number | null>(null);
  const { day } = service;
  useEffect(() => {
    void ask('GET /api/services', { query: { day } }).then((a) => a.ok && setUsual(a.body.usual));
  }, [day]);
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Whole
        key={usual !== null && usual === service.covers ? 'usual' : 'typed'}
        id="service-covers"
        label={say('Covers, 0 where litres are given')}
        value={service.covers ?? 0}
        low={0}
        high={20_000}
        onValue={(n) => onChange(withCovers(service, n === 0 ? null : n))}
      />
      {usual !== null && usual !== service.covers && (
        <button type="button" className={BUTTON} onClick={() => onChange(withCovers(service, usual))}>
          {say('{usual}, as on the last such days', { usual })}
        </button>
      )}
    </div>
  );
}
