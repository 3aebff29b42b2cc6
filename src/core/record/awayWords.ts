import { type Message, message } from '../message/message';

/** Lines of a batch that are in a file, and no longer in the database. */
export type PutAway = { readonly file: string; readonly lines: number };

/** Lines of a month that are in a file: of which days, both named. */
export type DaysAway = { readonly from: string | null; readonly to: string; readonly file: string };

/** What a record of some days is without. */
export const daysAwayWords = ({ from, to, file }: DaysAway): Message =>
  from === null
    ? message('Stove readings received before {to} are put away in {file} and not shown here.', { to, file })
    : message('Stove readings received from {from} to {to} are put away in {file} and not shown here.', {
        from,
        to,
        file,
      });

/** Why a batch is not shown: its lines are elsewhere, and how they come back. */
export const batchAwayWords = (away: readonly PutAway[]): Message =>
  message(
    '{lines, plural, one {One line} other {# lines}} of its record, in {files}. “./panache bring-back” on the machine Panache runs on brings a file’s lines back.',
    {
      lines: away.reduce((sum, a) => sum + a.lines, 0),
      files: { listed: away.map((a) => a.file) },
    },
  );

/** Batches of an archive that are left out, since it does not have their lines. */
export const leftOutWords = (batches: number): Message =>
  message(
    '{batches, plural, one {leave out one batch, whose lines are} other {leave out # batches, whose lines are}} put away in files where it comes from',
    { batches },
  );
