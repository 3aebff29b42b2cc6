import type { Batch } from '../core/batch/record';
import { message } from '../core/message/message';
import { batchAwayWords } from '../core/record/awayWords';
import { Nothing } from '../ui/shared/Nothing';

/** In place of a view of a batch whose lines are put away in files: shown without them it would be another; null of one that is whole. */
export const putAway = ({ away, plan }: Batch) =>
  away ? (
    <Nothing
      what={message('{name} is put away', { name: plan.recipeName })}
      why={batchAwayWords(away)}
      href="/stove"
      go={message('To the stove')}
    />
  ) : null;
