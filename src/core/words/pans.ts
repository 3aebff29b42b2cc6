import { type Message, message } from '../message/message';
import { term } from '../message/term';
import type { PanPlace } from '../pot/pans/pan';

const KEPT: Readonly<Record<NonNullable<PanPlace['kept']>, Message>> = {
  left: message('left to stand'),
  warm: message('kept warm'),
  cold: message('kept cold'),
};

/** Where a pan beside the pot stands: "Low Wide 26 on Front right", "2 trays in the oven", "a bowl, kept cold". */
export function placeWords({
  as,
  vessel,
  burner,
  trays = 1,
  kept = 'left',
  guessed,
  shares,
}: PanPlace): Message {
  if (as === 'tray') return message('{trays, plural, one {a tray} other {# trays}} in the oven', { trays });
  if (as === 'bowl')
    return message('a bowl of {across} cm, {kept}', {
      across: Math.round(vessel.diameterMm / 10),
      kept: KEPT[kept],
    });
  const values = { across: Math.round(vessel.diameterMm / 10), burner: burner?.name ?? '' };
  const on = guessed
    ? message('any {as} of about {across} cm, on {burner}', {
        ...values,
        as: term(as),
      })
    : message('{vessel} on {burner}', { ...values, vessel: vessel.name });
  return shares ? message('{on}, with another pan', { on }) : on;
}

/** A pan by the name the recipe has for it; the pot by its own. */
export const panName = (pan: string): Message =>
  pan === '' ? message('the pot') : message('{name}', { name: pan });
