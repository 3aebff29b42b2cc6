'use client';

import { useEffect, useState } from 'react';
import type { NearDay } from '../../contract/services';
import { type Message, message } from '../../core/message/message';
import type { TimedOrder } from '../../core/order/order';
import { MOST_SOUPS } from '../../core/service/bounds';
import { freeSoupId, minutesOf, type Service } from '../../core/service/service';
import { shortDay } from '../../core/service/words/dayWords';
import { dayOf } from '../../core/units/clock';
import { ask, problemWords } from '../device/line/api';
import { readRole } from '../device/useRole';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON } from '../shared/styles';

/** On the pass at noon where the plan does not say. */
const NOON = 720;

/** The service with what is planned as one more soup, with all it changes in its recipe; null where it is full. */
export function withSoup(service: Service, order: TimedOrder): Service | null {
  if (service.soups.length >= MOST_SOUPS) return null;
  const { serveAt, litres, stockPotId: _p, stockBurnerId: _b, ...rest } = order;
  const soup = {
    id: freeSoupId(service, order.recipeId),
    order: rest,
    amount: { litres },
    draws: [{ at: minutesOf(serveAt) ?? NOON, part: 1 }],
    fresh: false,
  };
  return { ...service, soups: [...service.soups, soup] };
}

/** Puts what is planned on the board of a service that is to come. */
export function OnService({ order, dayEnds }: { readonly order: TimedOrder; readonly dayEnds: number }) {
  const say = useSay();
  const [near, setNear] = useState<readonly NearDay[]>([]);
  const [on, setOn] = useState<NearDay | null>(null);
  const [refused, setRefused] = useState<Message | null>(null);
  useEffect(() => {
    const day = dayOf(new Date(), dayEnds);
    void ask('GET /api/services', { query: { day } }).then(
      (a) => a.ok && setNear(a.body.near.filter((s) => s.day >= day).slice(0, 4)),
    );
  }, [dayEnds]);
  const put = async (to: NearDay) => {
    const stored = await ask('GET /api/services/[id]', { at: { id: to.id } });
    if (!stored.ok) return setRefused(problemWords(stored.problems));
    const service = withSoup(stored.body.service, order);
    if (!service) return setRefused(message('A service has at most {most} soups.', { most: MOST_SOUPS }));
    const saved = await ask('PUT /api/services', {
      body: { service, base: stored.body.revision, by: readRole() },
    });
    if (!saved.ok) return setRefused(problemWords(saved.problems));
    setOn(to);
  };
  if (on)
    return (
      <Link className={BUTTON} href={`/service?day=${on.day}&id=${on.id}`}>
        {say('It is on {name}: open the board', { name: on.name })}
      </Link>
    );
  return (
    <>
      {near.map((s) => (
        <button key={s.id} type="button" className={BUTTON} onClick={() => void put(s)}>
          {say('Put it on {name}, {day}', { name: s.name, day: shortDay(s.day) })}
        </button>
      ))}
      {refused && (
        <p role="alert" className="font-bold text-tomato">
          {say(refused)}
        </p>
      )}
    </>
  );
}
