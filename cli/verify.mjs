import { asOwner } from './owner.mjs';
import { Complaint } from './say.mjs';

const HEAD = /^(\d+):([0-9a-f]{64})$/;

/** Heads as they stand at the foot of an export: --head N:HASH, any number of times. */
export function headsIn(args) {
  const heads = [];
  for (let n = 0; n < args.length; n += 2) {
    const found = args[n] === '--head' ? HEAD.exec(args[n + 1] ?? '') : null;
    if (!found)
      throw new Complaint(
        `“${[args[n], args[n + 1]].filter(Boolean).join(' ')}” is not understood: [--head N:HASH …], as it stands at the foot of an export.`,
      );
    heads.push({ n: Number(found[1]), hash: found[2] });
  }
  return heads;
}

/** Follows the whole record of the private database, or of DATABASE_URL. Ends with 1 where something does not agree. */
export async function run(_name, args) {
  const [first, ...rest] = args;
  const kitchen = first && !first.startsWith('--') ? first : '';
  await asOwner('verify.ts', [JSON.stringify(headsIn(kitchen ? rest : args)), kitchen]);
}
