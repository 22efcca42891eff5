import type { WearerSave } from '@neat-measure/contract';
import { note } from '../audit/store';
import type { Database } from '../database/database';
import { allOrNothing } from '../database/all-or-nothing';
import type { SavedVersion } from '../database/save-versioned';
import { findWearer, saveWearer } from './store';

/** Adds a wearer or edits one, and notes what stood there before and after: both, or neither. */
export function keepWearer(
  database: Database,
  id: string,
  save: WearerSave,
  by: string,
): Promise<SavedVersion> {
  return allOrNothing(database, async (transaction) => {
    const before = await findWearer(transaction, id);
    const saved = await saveWearer(transaction, id, save);
    if (saved === 'saved')
      await note(transaction, {
        by,
        kind: 'wearer-kept',
        about: { kind: 'wearer', id },
        wearerId: id,
        detail: {
          before:
            before === undefined
              ? null
              : {
                  name: before.name,
                  role: before.role,
                  born: before.born,
                  number: before.number,
                },
          after: { name: save.name, role: save.role, born: save.born, number: save.number },
        },
      });
    return saved;
  });
}
