import { type Message, message } from '../../../message/message';
import type { StepOf } from '../../step';
import { piecesWords } from '../phrases';
import { type StepRow, USUAL } from '../row';

const PERCENT = 100;

/** From where and into what, as a title tells them; the pot by its own name. */
const ends = ({ from, in: into }: StepOf<'pour'>) => ({
  from: from ?? '',
  out: from ? 'pan' : 'pot',
  into: into ?? '',
  in: into ? 'pan' : 'pot',
});

function title(step: StepOf<'pour'>): Message {
  const values = ends(step);
  if (step.takes === 'fat')
    return message(
      'Spoon the fat of {out, select, pot {the pot} other {“{from}”}} into {in, select, pot {the pot} other {“{into}”}}',
      values,
    );
  if (step.takes === 'pieces' || step.of)
    return step.of
      ? message(
          'Lift the {pieces} out of {out, select, pot {the pot} other {“{from}”}} into {in, select, pot {the pot} other {“{into}”}}',
          { ...values, pieces: { and: step.of.map(piecesWords) } },
        )
      : message(
          'Lift the pieces out of {out, select, pot {the pot} other {“{from}”}} into {in, select, pot {the pot} other {“{into}”}}',
          values,
        );
  if (step.takes === 'liquid')
    return message(
      'Strain {out, select, pot {the pot} other {“{from}”}} into {in, select, pot {the pot} other {“{into}”}}',
      values,
    );
  return message(
    '{slowly, select, yes {Whisk} other {Pour}} {out, select, pot {the pot} other {“{from}”}} into {in, select, pot {the pot} other {“{into}”}}',
    { ...values, slowly: step.gradually ? 'yes' : 'no' },
  );
}

export const row: StepRow<'pour'> = {
  ...USUAL,
  verb: message('Pour into'),
  what: message('one pan into another, all or a part; lift out, put back'),
  attended: true,
  needsLiquid: false,
  level: message('poured in'),
  title,
  how: (step) => [
    ...(step.share !== undefined && step.share < 1
      ? [
          message('{share} % of it; the rest waits', {
            share: Math.round(step.share * PERCENT),
          }),
        ]
      : []),
    ...(step.takes === 'liquid' ? [message('through a sieve: what is solid stays behind')] : []),
    ...(step.gradually ? [message('a little first, whisk smooth, then the rest in pours')] : []),
  ],
  why: (step) =>
    step.takes === 'all' && step.share === undefined && !step.of
      ? message('Scrape the pan out: what clings to it was weighed for the soup.')
      : null,
};
