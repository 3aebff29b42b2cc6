import { asOwner } from './owner.mjs';
import { Complaint } from './say.mjs';

/** Prints a code for a lead’s station; `pin` takes the PIN away first, where it was lost. */
export async function run(name, args) {
  if (args.length > 1) throw new Complaint(`${name} takes a kitchen’s id, or nothing where there is one.`);
  await asOwner('stations.ts', [name, ...args]);
}
