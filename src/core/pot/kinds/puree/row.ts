import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { CUTS } from '../../../thicken/puree';
import { besides, piecesWords } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'puree'> = {
  ...USUAL,
  verb: message('Blend'),
  what: message('all or part of it, or to thicken'),
  attended: true,
  title: (step) => {
    const fork = step.tool === 'fork' ? 'yes' : 'no';
    const fraction = Math.round(step.fraction * 100);
    const all = step.fraction >= 0.995;
    if (CUTS[step.tool] === 0)
      return all
        ? message('Mash it all{tool, select, yes {, with a fork} other {}}', { tool: fork })
        : message(
            'Mash {fraction} % of it{tool, select, yes { with a fork} other {}}, against the wall or in a bowl',
            { fraction, tool: fork },
          );
    return all
      ? message('Blend it all, {tool}', { tool: term(step.tool) })
      : message('Blend {fraction} % of the pot, {tool}', { fraction, tool: term(step.tool) });
  },
  how: (step) => [
    ...besides(step),
    ...(step.reserve
      ? [
          message('first lift out {reserve} % of the pieces; they go back after', {
            reserve: Math.round(step.reserve * 100),
          }),
        ]
      : []),
    ...(step.of
      ? [
          message('lift out and blend {pieces} with their liquid', {
            pieces: { and: step.of.map(piecesWords) },
          }),
        ]
      : []),
  ],
};
