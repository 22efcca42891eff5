import { Injectable, signal } from '@angular/core';
import { WORKING_UNITS, type WorkingUnit } from '@neat-measure/core';

const KEPT_AS = 'neat-measure.unit';

/**
 * The unit lengths are shown in, and that a bare number takes. Changing it re-expresses
 * what is known; nothing already read is re-interpreted.
 */
@Injectable({ providedIn: 'root' })
export class UnitService {
  readonly unit = signal<WorkingUnit>(kept());

  /** Has whoever has chosen none on this device begin with the house’s. */
  begin(unit: WorkingUnit): void {
    if (localStorage.getItem(KEPT_AS) === null) this.unit.set(unit);
  }

  choose(unit: WorkingUnit): void {
    this.unit.set(unit);
    localStorage.setItem(KEPT_AS, unit);
  }
}

function kept(): WorkingUnit {
  const value = localStorage.getItem(KEPT_AS);
  return WORKING_UNITS.find((unit) => unit === value) ?? 'cm';
}
