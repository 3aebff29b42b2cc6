import { asOwner } from './owner.mjs';
import { fromCaller } from './place.mjs';
import { Complaint } from './say.mjs';
import { headsIn } from './verify.mjs';

const TAKES = {
  parts: [],
  'put-away': ['NAME', 'FILE'],
  'bring-back': ['FILE'],
  mend: [],
};

/** Shows the parts of the record, puts one away in a file, brings one back; puts what stands aside back into the record. */
export async function run(name, args) {
  if (name === 'recover') {
    const [file, ...heads] = args;
    if (!file || file.startsWith('-')) throw new Complaint('recover takes FILE [--head N:HASH …].');
    return asOwner('moveParts.ts', [name, fromCaller(file), JSON.stringify(headsIn(heads))]);
  }
  const takes = TAKES[name];
  if (args.length !== takes.length || args.some((a) => a.startsWith('-')))
    throw new Complaint(
      `${name} takes ${takes.length ? takes.join(' and ') : 'nothing'}; ./panache parts shows what there is.`,
    );
  await asOwner('moveParts.ts', [name, ...args.map((a, n) => (takes[n] === 'FILE' ? fromCaller(a) : a))]);
}
