import type { Container, KeptKind } from '../../core/keep/events';
import { type LotState, placeOf } from '../../core/keep/lot';
import type { House } from '../../core/kitchen/house';
import { type Message, message } from '../../core/message/message';

/** What is cooked, and therefore cooled. */
export const COOKED: ReadonlySet<KeptKind> = new Set<KeptKind>(['soup', 'stock', 'purée']);

/** "4 × Full pan 65", or the pot's name. */
export function containerName(house: House, container: Container): Message {
  if (container.kind === 'pot')
    return message('{name}', {
      name: house.vessels.find((v) => v.id === container.vessel)?.name ?? container.vessel,
    });
  const name = house.keeping.pans.find((p) => p.id === container.pan)?.name ?? container.pan;
  return message('{count} × {pan}', { count: container.count, pan: name });
}

export const placeName = (house: House, id: string): string => placeOf(house.keeping, id)?.name ?? id;

/** "6.2 L · 4 × Full pan 65, Blast". */
export const whereWords = (house: House, s: LotState): Message =>
  message('{ml} · {container}, {place}', {
    ml: { ml: s.ml },
    container: containerName(house, s.container),
    place: placeName(house, s.place),
  });

/** "19 in 20". */
export const chanceWords = (chance: number): Message => message('{n} in 20', { n: Math.round(chance * 20) });

/** Hours and minutes a reader takes in at a glance: "2 h 40", "35 min". */
export const spell = (seconds: number): Message => {
  const minutes = Math.round(seconds / 60);
  return minutes < 60
    ? message('{minutes} min', { minutes })
    : message('{hours} h {minutes}', {
        hours: Math.floor(minutes / 60),
        minutes: String(minutes % 60).padStart(2, '0'),
      });
};
