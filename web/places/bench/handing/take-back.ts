import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  untracked,
  type WritableSignal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  alterationsOf,
  areaFacts,
  fitChecksOf,
  FIT_AREAS,
  RETURN_REASONS,
  RETURN_WAYS,
  RETURN_WORDS,
  sayAltered,
  toldBy,
  type FitArea,
  type ReturnReason,
  type ReturnWay,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { UnitService } from '../../../data/unit-service';
import { DocketStore } from '../docket-store';
import { HandingStore } from './handing-store';

/** Where a garment goes that came back, in words. */
const GOES_WORDS: Readonly<Record<ReturnWay, string>> = {
  stock: 'stock',
  drying: 'washing and drying',
  quarantine: 'set aside for inspection',
  waste: 'to waste',
};

/** Where something goes that came back for a reason, whatever it was: what was lost goes to no shelf. */
const GOES_FOR: Partial<Record<ReturnReason, ReturnWay>> = {
  lost: 'waste',
  damaged: 'quarantine',
  faulty: 'quarantine',
};

/** One garment comes back: why, and where it goes from here. */
@Component({
  selector: 'nm-take-back',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  template: `
    @if (altered(); as altered) {
      <p class="note">
        The garment was altered ({{ altered }}), so it no longer fits its label {{ garment().handing?.size }}.
      </p>
    }
    <div class="fields">
      <div class="field">
        <label for="why">Reason for return</label>
        <nz-select
          nzId="why"
          nzPlaceHolder="Choose"
          [nzOptions]="reasons"
          [ngModel]="why()"
          (ngModelChange)="chooseWhy($event)"
        />
      </div>
      @if (asksWhere()) {
        <div class="field">
          <label for="where">Where</label>
          <nz-select
            nzId="where"
            nzPlaceHolder="Choose"
            [nzOptions]="areas()"
            [ngModel]="area()"
            (ngModelChange)="area.set($event)"
          />
        </div>
      }
      <div class="field">
        <label for="goes">Return to</label>
        <nz-select nzId="goes" [nzOptions]="places" [ngModel]="goes()" (ngModelChange)="goes.set($event)" />
      </div>
      <div class="field">
        <label for="note">Note</label>
        <input
          #said
          nz-input
          id="note"
          type="text"
          maxlength="300"
          [value]="note()"
          (input)="note.set(said.value)"
        />
      </div>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <span class="row">
        <button nz-button nzType="primary" type="button" (click)="takeBack()">Return garment</button>
        <button nz-button nzType="text" type="button" (click)="left.emit()">Cancel</button>
      </span>
    </div>
  `,
  styles: `
    :host {
      flex: 1 1 100%;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeBack {
  private readonly store = inject(DocketStore);
  private readonly handing = inject(HandingStore);
  private readonly units = inject(UnitService);
  readonly garment = input.required<ReturnType<HandingStore['garments']>[number]>();
  /** It came back, or is left with the wearer. */
  readonly left = output();

  protected readonly reasons = RETURN_REASONS.map((value) => ({ value, label: RETURN_WORDS[value] }));
  protected readonly places = RETURN_WAYS.map((value) => ({ value, label: GOES_WORDS[value] }));
  private readonly chartId = computed(() => this.garment().id);
  private readonly hired = computed(() => this.garment().handing?.way === 'hired');

  /** Begins anew with each garment, and stays as it was said whatever happens on the docket meanwhile. */
  private begun<Value>(first: () => Value): WritableSignal<Value> {
    return linkedSignal({ source: this.chartId, computation: () => untracked(first) });
  }

  /** What was altered on it, in words; nothing where nothing was. */
  protected readonly altered = computed(() => {
    const docket = this.store.docket();
    const all = docket === null ? [] : alterationsOf(docket, this.chartId());
    return all
      .map(({ area, how, length, unit }) => sayAltered({ area, how, length }, this.units.written(unit)))
      .join(', ');
  });
  /** Nothing is filled in that nobody said: how a chart runs is learned from it. */
  protected readonly why = this.begun<ReturnReason | null>(() => (this.hired() ? 'hire-over' : null));
  /** What was altered is not the size of its label any more, and is looked at before it goes to anybody. */
  protected readonly goes = this.begun<ReturnWay>(() =>
    this.hired() ? 'drying' : this.altered() === '' ? 'stock' : 'quarantine',
  );
  protected readonly note = this.begun(() => '');
  protected readonly fault = this.begun(() => '');
  protected readonly asksWhere = computed(() => {
    const why = this.why();
    return why !== null && toldBy(why) !== null;
  });
  /** Where it can have been tight or long: where its kind is looked at. */
  protected readonly areas = computed(() => {
    const chart = this.store.garments().find((one) => one.chart.id === this.chartId())?.chart;
    const places = chart === undefined ? [] : fitChecksOf(chart.sheet).flatMap((check) => check.places);
    return FIT_AREAS.filter((code) => places.includes(code)).map((value) => ({
      value,
      label: areaFacts(value).name,
    }));
  });
  protected readonly area = this.begun<FitArea | null>(() => null);

  protected chooseWhy(why: ReturnReason): void {
    this.why.set(why);
    this.fault.set('');
    const goes = GOES_FOR[why];
    if (goes !== undefined) this.goes.set(goes);
  }

  protected takeBack(): void {
    const [why, area] = [this.why(), this.asksWhere() ? this.area() : null];
    if (why === null) return this.fault.set('Choose the reason for the return.');
    if (this.asksWhere() && area === null) return this.fault.set(`Choose where it is ${RETURN_WORDS[why]}.`);
    if (this.handing.takeBack(this.chartId(), why, area, this.note(), this.goes())) this.left.emit();
  }
}
