import { message } from '../../../message/message';
import { besides } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'season'> = {
  ...USUAL,
  verb: message('Season'),
  what: message('salt last, then pepper and herbs'),
  attended: true,
  needsLiquid: false,
  madeReady: true,
  late: true,
  title: () => message('Season'),
  how: besides,
  why: () => message('Last, because reduction and cured or salted things have brought salt already.'),
};
