import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  model,
  viewChild,
  signal,
  untracked,
  type ElementRef,
} from '@angular/core';
import { Router } from '@angular/router';
import type { ChartSummary, DocketSummary, Protocol, Wearer } from '@neat-measure/contract';
import { measurement, MEASUREMENT_CODES } from '@neat-measure/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { ChartService } from '../../data/chart-service';
import { OpenDocket } from '../../data/open-docket';
import { ProtocolService } from '../../data/protocol-service';
import { DocketService } from '../../data/docket-service';
import { Paged } from '../../data/paged';
import { SessionService } from '../../data/session-service';
import { TypeAhead } from '../../data/type-ahead';
import { WearerService } from '../../data/wearer-service';
import { ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { DESTINATIONS, matching, type Destination } from './destinations';

/** The most lines of each kind. */
const MOST = 6;

/** Everything by typing: places and desks, what can be done here, wearers, dockets, charts. */
@Component({
  selector: 'nm-command-list',
  imports: [NzInputModule, NzModalModule],
  templateUrl: './command-list.html',
  styles: `
    [role='listbox'] {
      max-height: 420px;
      margin-top: 8px;
    }
    .pick {
      border-bottom: 1px solid var(--line);
    }
  `,
  host: { '(document:keydown)': 'onAnyKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandList {
  readonly open = model.required<boolean>();
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly here = inject(ShortcutService);
  private readonly ahead = inject(TypeAhead);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');

  private readonly wearerService = inject(WearerService);
  private readonly docketService = inject(DocketService);
  private readonly chartService = inject(ChartService);
  private readonly protocolService = inject(ProtocolService);
  private readonly openDocket = inject(OpenDocket);

  protected readonly words = signal('');
  private readonly wearers = new Paged<Wearer>((query) => this.wearerService.list(query));
  private readonly dockets = new Paged<DocketSummary>((query) => this.docketService.list(query));
  private readonly charts = new Paged<ChartSummary>((query) => this.chartService.list(query));
  protected readonly trouble = computed(
    () => this.failed() || this.wearers.trouble() || this.dockets.trouble() || this.charts.trouble(),
  );

  protected readonly lines = computed((): readonly Destination[] => {
    const words = this.words();
    const may = this.session.fitter() !== null;
    const acts = this.here
      .shortcuts()
      .flatMap(({ keys, does, run }): Destination[] =>
        run === undefined ? [] : [{ name: capital(does), about: `here, ${keys.join(' ')}`, run }],
      );
    const places = DESTINATIONS.filter(({ takes }) => takes === undefined || this.session.may(takes)).map(
      ({ name, path }): Destination => ({ name, about: 'go there', run: () => this.go([path]) }),
    );
    const adds = this.adds();
    if (this.openDocket.asked()) return matching([...adds, ...this.addsCharts()], words);
    const fixed = matching([...acts, ...places], words);
    if (words.trim() === '' || !may) return fixed;
    return [
      ...fixed.slice(0, MOST),
      ...matching([...adds, ...this.addsCharts()], words).slice(0, MOST),
      ...answers(this.wearers).map(
        ({ name, role }): Destination => ({
          name,
          about: role === '' ? 'new docket' : `${role}, new docket`,
          run: () => this.go(['/bench'], { who: name }),
        }),
      ),
      ...answers(this.wearers).map(
        ({ id, name }): Destination => ({
          name: `Record of ${name}`,
          about: 'all settled values',
          run: () => this.go(['/log/person', id]),
        }),
      ),
      ...answers(this.dockets).map(
        ({ id, number, wearer, garments }): Destination => ({
          name: `Docket ${number}, ${wearer.name}`,
          about: garments.map(({ garment }) => garment).join(', '),
          run: () => this.go(['/bench', id]),
        }),
      ),
      ...answers(this.charts).map(
        ({ id, garment, maker }): Destination => ({
          name: garment,
          about: `chart of ${maker}`,
          run: () => this.go(['/charts'], { chart: id }),
        }),
      ),
    ];
  });
  /** What can be added to the docket that is open: every measurement, and every protocol. */
  private readonly adds = computed((): readonly Destination[] => {
    const adding = this.openDocket.adding();
    if (adding === null) return [];
    return [
      ...this.protocols().map(
        (protocol): Destination => ({
          name: `Add ${protocol.name}`,
          about: 'protocol, to this docket',
          run: () => adding.protocol(protocol),
        }),
      ),
      ...MEASUREMENT_CODES.map(
        (code): Destination => ({
          name: `Add ${measurement(code).name.toLowerCase()}`,
          about: 'measurement, to this docket',
          run: () => adding.measurement(code),
        }),
      ),
    ];
  });
  /** The charts that answer, as garments of the docket that is open. */
  private readonly addsCharts = computed((): readonly Destination[] => {
    const adding = this.openDocket.adding();
    if (adding === null) return [];
    return this.charts.items().map(
      ({ id, garment, maker }): Destination => ({
        name: `Add ${garment}`,
        about: `garment of ${maker}, to this docket`,
        run: () =>
          this.chartService.open(id).subscribe({
            next: (chart) => adding.garment(chart),
            error: (problem: Error) => this.failed.set(problem.message),
          }),
      }),
    );
  });
  private readonly protocols = signal<readonly Protocol[]>([]);
  private readonly failed = signal('');

  /** The line the arrows are on: the first again whenever the list is another. */
  protected readonly at = linkedSignal({ source: this.lines, computation: () => 0 });

  constructor() {
    // Asked for once a docket is open: what can be added to it besides its charts.
    effect((onCleanup) => {
      if (!this.open() || this.openDocket.adding() === null) return;
      const listed = this.protocolService.list().subscribe({
        next: (all) => this.protocols.set(all),
        error: (problem: Error) => this.failed.set(problem.message),
      });
      untracked(() => this.charts.seek(this.words()));
      onCleanup(() => listed.unsubscribe());
    });
    effect(() => {
      if (!this.open()) untracked(() => this.openDocket.asked.set(false));
    });
    // As soon as the field stands: the dialog itself says so only once it has finished moving.
    effect(() => {
      const field = this.field()?.nativeElement;
      if (field !== undefined && this.open()) untracked(() => this.begin(field));
    });
  }

  /** Gives the field the keys, and what was typed before it had them. */
  begin(field = this.field()?.nativeElement): void {
    // The dialog says that it has opened after it moved: by then the list may have been left already,
    // and the keys are no longer its own.
    if (field === undefined || !this.open()) return;
    field.focus();
    const typed = this.ahead.take();
    if (typed === '') return;
    // At once, as the next letter comes into the field itself before it is drawn anew.
    field.value += typed;
    this.seek(field.value);
  }

  /** Until the field has the keys, arrows and Enter are meant for the list wherever they are pressed. */
  protected onAnyKey(event: KeyboardEvent): void {
    const field = this.field()?.nativeElement;
    if (this.open() && event.target !== field && !event.defaultPrevented) this.onKey(event);
  }

  protected seek(words: string): void {
    this.words.set(words);
    for (const list of [this.wearers, this.dockets, this.charts]) list.seek(words);
  }

  protected onKey(event: KeyboardEvent): void {
    const last = this.lines().length - 1;
    if (event.key === 'ArrowDown') this.at.update((at) => Math.min(at + 1, last));
    else if (event.key === 'ArrowUp') this.at.update((at) => Math.max(at - 1, 0));
    else if (event.key === 'Enter') this.take(this.at());
    else return;
    event.preventDefault();
  }

  protected take(at: number): void {
    const line = this.lines()[at];
    if (line === undefined) return;
    // While the list leaves, the keys are the place's again.
    this.field()?.nativeElement.blur();
    this.open.set(false);
    this.seek('');
    line.run();
  }

  private go(path: readonly string[], queryParams: Record<string, string> = {}): void {
    void this.router.navigate([...path], { queryParams });
  }
}

/** What a list answers to what was typed; nothing while it still shows what was typed before. */
function answers<Item>(list: Paged<Item>): readonly Item[] {
  return list.current() ? list.items().slice(0, MOST) : [];
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
