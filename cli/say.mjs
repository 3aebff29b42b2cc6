/** Something the person at the keyboard can mend; shown as one line, without a stack. */
export class Complaint extends Error {}

export const say = (line) => console.log(`panache: ${line}`);

export function complain(error) {
  console.error(error instanceof Complaint ? `panache: ${error.message}` : error);
  process.exitCode = 1;
}
