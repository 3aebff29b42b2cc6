import { asOwner } from './owner.mjs';
import { Complaint } from './say.mjs';

/** Prints a code for a lead’s station; `pin` takes the PIN away first, where it was lost. */
export async function run(name, args) {
  if (args.length > 0) throw new Complaint(`${name} takes nothing.`);
  await asOwner('stations.ts', [name]);
}
