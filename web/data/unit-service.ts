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
 * Two units: the one lengths are shown in, and the one a bare number takes. They are the same, as chosen on this
 * device, except while a docket is open: a docket has a unit of its own, whatever device it is opened on, and bare
 * numbers take that. To show another beside it is a view of this docket, and changes nothing of what is typed.
 */
@Injectable({ providedIn: 'root' })
export class UnitService {
  private readonly chosen = signal<WorkingUnit>(kept());
  private readonly governing = signal<WorkingUnit | null>(null);
  private readonly view = signal<WorkingUnit | null>(null);
  /** What lengths are shown in. */
  readonly unit = computed(() => this.view() ?? this.governing() ?? this.chosen());
  /** What a bare number takes. */
  readonly entered = computed(() => this.governing() ?? this.chosen());
  /** Into how many parts the house writes an inch. */
  readonly inchParts = signal<InchParts>(8);
  /** How lengths are written: the unit, as the house writes it. */
  readonly shown = computed(() => shownIn(this.unit(), this.inchParts()));

  /** Has whoever has chosen none on this device begin with the house’s. */
  begin(unit: WorkingUnit): void {
    if (localStorage.getItem(KEPT_AS) === null) this.chosen.set(unit);
  }

  /** Goes by the unit of an open docket, until another is open or, with `null`, none is. */
  governedBy(unit: WorkingUnit | null): void {
    if (unit === this.governing()) return;
    this.governing.set(unit);
    this.view.set(null);
  }

  /** How another unit than the chosen one is written: a docket's, a maker's, or that of a mass. */
  written(unit: WorkingUnit): ShownLength;
  written(unit: MeasureUnit): ShownUnit;
  written(unit: MeasureUnit): ShownUnit {
    return shownIn(unit, this.inchParts());
  }

  /** Shows lengths in a unit: of the open docket alone, or from now on where none is open. */
  choose(unit: WorkingUnit): void {
    if (this.governing() !== null) return this.view.set(unit);
    this.chosen.set(unit);
    localStorage.setItem(KEPT_AS, unit);
  }
}

function kept(): WorkingUnit {
  const value = localStorage.getItem(KEPT_AS);
  return WORKING_UNITS.find((unit) => unit === value) ?? 'cm';
}
