import { asOwner } from './owner.mjs';
import { Complaint } from './say.mjs';

/** Kitchens of one database: `list`, `add NAME`, `group NAME HEAD ID …`. */
export async function run(_name, args) {
  const [what = 'list', ...rest] = args;
  if (!['list', 'add', 'group'].includes(what))
    throw new Complaint(`kitchens knows list, add NAME and group NAME HEAD ID …, not “${what}”.`);
  if (what === 'list' && rest.length > 0) throw new Complaint('kitchens list takes nothing.');
  if (what === 'add' && rest.length !== 1) throw new Complaint('kitchens add NAME: one name, in quotes.');
  await asOwner('kitchens.ts', [what, ...rest]);
}
