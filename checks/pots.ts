import type { Burner } from '../src/core/heat/burner';
import type { Vessel } from '../src/core/heat/vessel';
import { advance } from '../src/core/pot/advance';
import { STANDARD_KITCHEN } from '../src/core/pot/kitchen';
import { type Observation, observe } from '../src/core/pot/observe';
import { emptyPot, type Pot } from '../src/core/pot/pot';
import { Step } from '../src/core/pot/step';

/** An ordinary 24 cm saucepan on an ordinary gas burner, for checks that name no pot. */
export const saucepan: Vessel = {
  id: 'saucepan',
  name: 'Saucepan',
  diameterMm: 240,
  heightMm: 180,
  material: 'stainless steel',
  massG: 2000,
};
export const hob: Burner = { id: 'hob', name: 'Hob', kind: 'gas', powerW: 3500 };

type Raw = Record<string, unknown>;

export const cook = (steps: readonly Raw[], vessel = saucepan, burner = hob): Pot =>
  steps.reduce<Pot>((pot, s) => advance(pot, Step.parse(s), STANDARD_KITCHEN).pot, emptyPot(vessel, burner));

export const taste = (pot: Pot): Observation => observe(pot, STANDARD_KITCHEN);

export const roux = (flour: number, fat: number): Raw => ({
  kind: 'roux',
  flour: { ingredient: 'plain-flour', amount: flour },
  fat: { ingredient: 'butter', amount: fat },
  rule: 'weight',
  colour: 'white',
  minutes: 2,
});
export const pour = (ingredient: string, amount: number, celsius = 60): Raw => ({
  kind: 'add',
  items: [{ ingredient, amount, celsius }],
});
export const dice = (ingredient: string, amount: number, edgeMm: number): Raw => ({
  kind: 'add',
  items: [{ ingredient, amount, cut: { shape: 'cube', edgeMm } }],
});
export const TO_SIMMER: Raw = { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'on' };
export const simmer = (minutes: number, lid = 'on', untilTender = false): Raw => ({
  kind: 'simmer',
  minutes,
  lid,
  untilTender,
});
