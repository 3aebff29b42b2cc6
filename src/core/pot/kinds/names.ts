/** Every kind of step, in the order a cook meets them. */
export const STEP_KINDS = [
  'sweat',
  'render',
  'roux',
  'dust',
  'add',
  'bring-to',
  'simmer',
  'reduce',
  'puree',
  'strain',
  'thicken',
  'temper',
  'poach',
  'season',
  'rest',
  'hold',
  'chill',
  'reheat',
  'keep',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
