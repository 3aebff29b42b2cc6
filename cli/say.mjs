/** Something the person at the keyboard can mend; shown as one line, without a stack. */
export class Complaint extends Error {}

let aside = false;
/** From here on what is said goes to standard error: standard output is the answer’s alone. */
export const sayAside = () => {
  aside = true;
};

export const say = (line) => (aside ? console.error : console.log)(`panache: ${line}`);

export function complain(error) {
  console.error(error instanceof Complaint ? `panache: ${error.message}` : error);
  process.exitCode = 1;
}
