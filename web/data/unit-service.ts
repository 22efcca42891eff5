import { computed, Injectable, signal } from '@angular/core';
import {
  shownIn,
  WORKING_UNITS,
  type InchParts,
  type MeasureUnit,
  type ShownLength,
  type ShownUnit,
  type WorkingUnit,
} from '@neat-measure/core';

const KEPT_AS = 'neat-measure.unit';

/**
 * The unit lengths are shown in, and that a bare number takes. Changing it re-expresses
 * what is known; nothing already read is re-interpreted.
 */
@Injectable({ providedIn: 'root' })
export class UnitService {
  readonly unit = signal<WorkingUnit>(kept());
  /** Into how many parts the house writes an inch. */
  readonly inchParts = signal<InchParts>(8);
  /** How lengths are written: the unit, as the house writes it. */
  readonly shown = computed(() => shownIn(this.unit(), this.inchParts()));

  /** Has whoever has chosen none on this device begin with the house’s. */
  begin(unit: WorkingUnit): void {
    if (localStorage.getItem(KEPT_AS) === null) this.unit.set(unit);
  }

  /** How another unit than the chosen one is written: a docket's, a maker's, or that of a mass. */
  written(unit: WorkingUnit): ShownLength;
  written(unit: MeasureUnit): ShownUnit;
  written(unit: MeasureUnit): ShownUnit {
    return shownIn(unit, this.inchParts());
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
