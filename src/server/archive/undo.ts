import type pg from 'pg';
import { UndoneImport } from '../../contract/kitchen';
import { message } from '../../core/message/message';
import { refuseInUse, theHouse } from '../actions/kitchen';
import { transaction } from '../data/database';
import { type ImportRecord, readImportedBatches, readImports, undone } from '../queries/imports';
import { hideLots } from '../queries/keep';
import { replaceHouse } from '../queries/kitchen';
import { askAnew, leaveOutAnew, setByHandAnew, unlogAll } from '../queries/log';
import { seal } from '../queries/record/seals';
import { readService, writeService } from '../queries/services';
import { accept, taken, unknown } from '../refusal';

/**
 * Goes back to before an import: the settings are what they were, and what it brought no longer counts. Nothing is
 * thrown away by it; taking the same file in again brings all of it back. Refuses where settings were saved
 * since, which would be lost, unless that is meant; and an import that is not the last.
 */
export function undoImport(pool: pg.Pool, input: unknown): Promise<ImportRecord> {
  const { id, anyway } = accept(UndoneImport, input);
  return transaction(async (db) => {
    const house = await theHouse(db);
    await db.query('SELECT 1 FROM kitchen WHERE id = $1 FOR UPDATE', [house.id]);
    const imports = await readImports(db, house.id);
    const wanted = imports.find((i) => i.id === id);
    if (!wanted)
      throw unknown(
        'id',
        id,
        imports.map((i) => i.id),
      );
    const last = imports.find((i) => i.undoneAt === null);
    if (wanted.undoneAt !== null || last?.id !== id)
      throw taken(
        'id',
        message('this import is not the last that stands'),
        last ? message('{id}, the last', { id: last.id }) : message('none is left to undo'),
      );
    const { revision } = await theHouse(db);
    if (revision !== wanted.revisionAfter && !anyway)
      throw taken(
        'kitchen',
        message('the settings were saved since that import'),
        message('going back all the same loses what was changed since'),
      );
    const before = { ...wanted.kitchenBefore, id: house.id };
    await refuseInUse(db, before);
    await replaceHouse(db, before, revision, { note: 'as it was before an archive was taken in' });
    for (const service of wanted.taken.newServices ?? []) {
      const brought = await readService(db, house.id, service);
      if (brought) await writeService(db, house.id, { ...brought.service, archived: true });
    }
    if (wanted.taken.newLots?.length) await hideLots(db, wanted.taken.newLots);
    await undone(db, id);
    const { newPast = [], newActs = [] } = wanted.taken;
    const gone = await unlogAll(db, house.id, { past: newPast, batches: await readImportedBatches(db, id) });
    if (newActs.length > 0) {
      await setByHandAnew(db, house.id);
      await leaveOutAnew(db, house.id);
    } else if (gone) await askAnew(db, house.id);
    await seal(db, house.id, [{ source: 'import_undone', ids: [id] }]);
    await db.query("SELECT pg_notify('panache', '{\"again\":true}')");
    return wanted;
  }, pool);
}
