import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Settings } from '@neat-measure/contract';
import {
  CATALOGUE,
  GARMENT_KINDS,
  HANDING_WAYS,
  HANDING_WORDS,
  HOUSE_RULES,
  garmentKind,
  RULE_WORDS,
  type MeasurementCode,
  shownIn,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { HouseService } from '../../data/house-service';
import { SessionService } from '../../data/session-service';
import {
  draftOf,
  habitsOf,
  inUnit,
  ownApart,
  rowFault,
  type CautionRow,
  type HabitsDraft,
  type MeasuredRow,
  type HandingRow,
  type RuleRow,
} from './habits-draft';
import { ControlName } from '../../parts/forms/control-name';
import { Fetching } from '../../parts/fetching/fetching';
import { Fetched } from '../../data/fetched';

const KINDS = GARMENT_KINDS.map((value) => ({ value, label: garmentKind(value).words }));

/** How the house sizes: units, edges, agreement, rules, cautions, and when somebody is measured again. */
@Component({
  selector: 'nm-sizing',
  imports: [Fetching, ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  templateUrl: './sizing.html',
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizingDesk {
  private readonly house = inject(HouseService);
  protected readonly fetched = new Fetched<Settings>(
    () => this.house.settings(),
    (one) => this.show(one),
  );
  private readonly session = inject(SessionService);
  private settings: Settings | null = null;
  protected readonly draft = signal<HabitsDraft | null>(null);
  protected readonly trouble = signal('');
  protected readonly kept = signal(false);

  protected readonly units = [
    { value: 'cm', label: 'centimetres' },
    { value: 'in', label: 'inches' },
  ];
  protected readonly inches = [
    { value: 8, label: 'to the eighth' },
    { value: 16, label: 'to the sixteenth' },
  ];
  protected readonly measurements = CATALOGUE.map(({ code, name }) => ({ value: code, label: name }));
  protected readonly kinds = KINDS;
  protected readonly unguarded = KINDS.filter(({ value }) => !garmentKind(value).protects);
  protected readonly anyKinds = [{ value: '', label: 'Every garment' }, ...KINDS];
  protected readonly rules = HOUSE_RULES.map((value) => ({ value, label: RULE_WORDS[value] }));

  protected change(change: Partial<HabitsDraft>): void {
    this.kept.set(false);
    this.draft.update((now) => now && { ...now, ...change });
  }

  protected setUnit(unit: HabitsDraft['unit']): void {
    this.change(inUnit(this.draft()!, unit));
  }

  protected addMeasured(): void {
    const taken = this.draft()!.measured.map(({ code }) => code);
    const next = CATALOGUE.find(({ code }) => !taken.includes(code));
    if (next !== undefined)
      this.change({ measured: [...this.draft()!.measured, { code: next.code, apart: '', days: null }] });
  }
  protected setMeasured(at: number, change: Partial<MeasuredRow>): void {
    this.change({ measured: changed(this.draft()!.measured, at, change) });
  }
  protected removeMeasured(at: number): void {
    this.change({ measured: this.draft()!.measured.filter((_, index) => index !== at) });
  }

  protected readonly ways = HANDING_WAYS.map((value) => ({ value, label: HANDING_WORDS[value] }));

  protected addHanding(): void {
    const taken = this.draft()!.handing.map(({ kind }) => kind);
    const kind = GARMENT_KINDS.find((one) => !taken.includes(one));
    if (kind !== undefined) this.change({ handing: [...this.draft()!.handing, { kind, way: 'issued' }] });
  }
  protected setHanding(at: number, change: Partial<HandingRow>): void {
    this.change({ handing: changed(this.draft()!.handing, at, change) });
  }
  protected removeHanding(at: number): void {
    this.change({ handing: this.draft()!.handing.filter((_, index) => index !== at) });
  }

  protected addRule(): void {
    const taken = this.draft()!.rules.map(({ kind }) => kind);
    const kind = GARMENT_KINDS.find((one) => !taken.includes(one));
    if (kind !== undefined)
      this.change({ rules: [...this.draft()!.rules, { kind, rule: 'widest-decides' }] });
  }
  protected setRule(at: number, change: Partial<RuleRow>): void {
    this.change({ rules: changed(this.draft()!.rules, at, change) });
  }
  protected removeRule(at: number): void {
    this.change({ rules: this.draft()!.rules.filter((_, index) => index !== at) });
  }

  protected addCaution(): void {
    this.change({ cautions: [...this.draft()!.cautions, { kind: null, words: '' }] });
  }
  protected setCaution(at: number, change: Partial<CautionRow>): void {
    this.change({ cautions: changed(this.draft()!.cautions, at, change) });
  }
  protected removeCaution(at: number): void {
    this.change({ cautions: this.draft()!.cautions.filter((_, index) => index !== at) });
  }

  protected faultOf(row: MeasuredRow): string {
    return rowFault(row, this.draft()!.unit);
  }
  protected ownApart(code: MeasurementCode): string {
    const { unit, inchParts } = this.draft()!;
    return ownApart(code, shownIn(unit, inchParts));
  }

  protected save(): void {
    this.trouble.set('');
    this.kept.set(false);
    const read = habitsOf(this.draft()!);
    if (!read.ok) return this.trouble.set(read.problem);
    this.house.saveSettings({ ...this.settings!, habits: read.value }).subscribe({
      next: (one) => {
        this.show(one);
        this.kept.set(true);
        // The page itself sizes and writes by them from here on.
        this.session.ask().subscribe();
      },
      error: this.fail,
    });
  }

  private show(settings: Settings): void {
    this.settings = settings;
    this.draft.set(draftOf(settings.habits));
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}

function changed<Row>(rows: readonly Row[], at: number, change: Partial<Row>): readonly Row[] {
  return rows.map((row, index) => (index === at ? { ...row, ...change } : row));
}
