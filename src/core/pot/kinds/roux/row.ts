import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'roux'> = {
  ...USUAL,
  verb: message('Cook a roux'),
  what: message('flour and fat cooked apart or in the pot'),
  attended: true,
  needsLiquid: false,
  title: (step) => message('Cook a {colour} roux', { colour: term(step.colour) }),
  why: (step) =>
    step.colour === 'white' || step.colour === 'blond'
      ? message('Fat round every grain keeps the flour from lumping. Colour costs thickening.')
      : message('Colour is flavour bought with thickening: the dose already allows for it.'),
};
