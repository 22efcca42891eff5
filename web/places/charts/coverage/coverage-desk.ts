import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Chart, ChartSummary } from '@neat-measure/contract';
import {
  compiled,
  GARMENT_KINDS,
  garmentKind,
  type GarmentKind,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { chartCoverage, codesOfCoverage, type FurtherSize, type Held } from '@neat-measure/core/coverage';
import { shareOf, type Share } from '@neat-measure/core/own-chart';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, combineLatest, forkJoin, map, of, switchMap, type Observable } from 'rxjs';
import { ChartService } from '../../../data/chart-service';
import { Fetched } from '../../../data/fetched';
import { MusterService } from '../../../data/musters/muster-service';
import { Paged } from '../../../data/paged';
import { Fetching } from '../../../parts/fetching/fetching';

type Body = ReadonlyMap<MeasurementCode, Length>;

/** A chart with how it holds the people. */
interface Line {
  readonly id: string;
  readonly name: string;
  readonly of: number;
  readonly inside: Share;
  readonly between: number;
  readonly outside: number;
  readonly fails: string;
  readonly helps: string;
}

/** The charts of a kind, side by side on the same people: whom each holds, where it fails first, what would help most. */
@Component({
  selector: 'nm-coverage-desk',
  imports: [Fetching, FormsModule, NzButtonModule, NzCheckboxModule, NzSelectModule, RouterLink],
  template: `
    <div class="split">
      <h1>Whom the charts hold</h1>
      <a nz-button routerLink="/charts">Back to charts</a>
    </div>
    <div class="panel row under">
      <label for="coverage-whom">People</label>
      <nz-select nzId="coverage-whom" class="wish" [nzOptions]="whoms()" [(ngModel)]="whom" />
      <label for="coverage-kind">Kind</label>
      <nz-select nzId="coverage-kind" class="wish" nzShowSearch [nzOptions]="kinds()" [(ngModel)]="kind" />
      <label nz-checkbox [ngModel]="alike()" (ngModelChange)="alike.set($event)"
        >Only people whom every chart can place</label
      >
    </div>
    <nm-fetching [of]="listed" words="Loading charts" />
    <nm-fetching [of]="groups" words="Loading groups" />
    @if (trouble()) {
      <p class="fault" role="alert">
        {{ trouble() }}
        <button nz-button nzType="link" type="button" (click)="tries.set(tries() + 1)">Try again</button>
      </p>
    } @else if (listed.none()) {
      <p class="note">No charts yet.</p>
    } @else if (found() === null && listed.items().length > 0) {
      <p class="soft" role="status">Comparing charts …</p>
    } @else if (found() !== null) {
      <p class="soft under" role="status">{{ says() }}</p>
      @if (lines().length > 0) {
        <div class="wide">
          <table class="cells">
            <thead>
              <tr>
                <th scope="col">Chart</th>
                <th scope="col" class="bars">Held, with what it may be off</th>
                <th scope="col">Held</th>
                <th scope="col">Between</th>
                <th scope="col">Outside</th>
                <th scope="col">Of</th>
                <th scope="col">Fails first</th>
                <th scope="col">Would help most</th>
              </tr>
            </thead>
            <tbody>
              @for (line of lines(); track line.id) {
                <tr>
                  <th scope="row">
                    <a [routerLink]="['/charts']" [queryParams]="{ chart: line.id }">{{ line.name }}</a>
                  </th>
                  <td>
                    @if (line.of > 0) {
                      <span
                        class="bar"
                        role="img"
                        [attr.aria-label]="
                          percent(line.inside.low) + ' to ' + percent(line.inside.high) + ' %'
                        "
                      >
                        <span class="share" [style.width.%]="100 * line.inside.share"></span>
                        <span
                          class="off"
                          [style.left.%]="100 * line.inside.low"
                          [style.width.%]="100 * (line.inside.high - line.inside.low)"
                        ></span>
                      </span>
                    }
                  </td>
                  <td class="num">{{ line.of > 0 ? percent(line.inside.share) + ' %' : '–' }}</td>
                  <td class="num">{{ line.between }}</td>
                  <td class="num">{{ line.outside }}</td>
                  <td class="num">{{ line.of }}</td>
                  <td>{{ line.fails }}</td>
                  <td>{{ line.helps }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <p class="soft under">
          The line through a bar is the 95 % interval of others like these people.
          @if (whom() === '507') {
            Bodies: Heinz, Peterson, Johnson and Kerk (2003), Journal of Statistics Education 11(2).
          }
        </p>
      }
    }
  `,
  styles: `
    :host {
      max-width: none;
    }
    .panel {
      padding: 14px 18px;
    }
    .wish {
      width: 240px;
    }
    .bars {
      min-width: 180px;
      width: 22%;
    }
    .bar {
      display: block;
      position: relative;
      height: 20px;
      > span {
        position: absolute;
      }
    }
    .num {
      white-space: nowrap;
    }
    .share {
      top: 3px;
      height: 14px;
      background: var(--green);
    }
    .bar > .off {
      top: 9px;
      height: 2px;
      background: var(--ink);
      outline: 1px solid var(--paper);
    }
  `,
  host: { class: 'page' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoverageDesk {
  private readonly service = inject(ChartService);
  private readonly musters = inject(MusterService);
  protected readonly listed = new Paged<ChartSummary>((query) => this.service.list(query));
  protected readonly groups = new Fetched(() => this.musters.groups());
  protected readonly trouble = signal('');
  /** How often it was asked for once more. */
  protected readonly tries = signal(0);
  protected readonly whom = signal('all');
  protected readonly alike = signal(false);
  protected readonly whoms = computed(() => [
    { value: 'all', label: 'all wearers' },
    ...(this.groups.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
    { value: '507', label: '507 measured bodies' },
  ]);
  /** The kinds there are charts of. */
  protected readonly kinds = computed(() =>
    GARMENT_KINDS.filter((value) => this.listed.items().some(({ kind }) => kind === value)).map((value) => ({
      value,
      label: garmentKind(value).words,
    })),
  );
  private readonly chosen = signal<GarmentKind | null>(null);
  protected get kind() {
    return this.chosen() ?? this.kinds()[0]?.value ?? null;
  }
  protected set kind(kind) {
    this.chosen.set(kind);
  }
  private readonly wanted = computed(() => {
    const kind = this.chosen() ?? this.kinds()[0]?.value;
    return this.listed
      .items()
      .filter((one) => one.kind === kind)
      .map(({ id }) => id);
  });

  /** The charts of the kind, and the people by everything that those decide by. */
  protected readonly found = toSignal(
    combineLatest([toObservable(this.wanted), toObservable(this.whom), toObservable(this.tries)]).pipe(
      switchMap(([ids, whom]) =>
        ids.length === 0
          ? of(null)
          : forkJoin(ids.map((id) => this.service.open(id))).pipe(
              switchMap((charts) => this.people(charts, whom).pipe(map((bodies) => ({ charts, bodies })))),
              map((found) => {
                this.trouble.set('');
                return found;
              }),
              catchError((problem: Error) => {
                this.trouble.set(problem.message);
                return of(null);
              }),
            ),
      ),
    ),
    { initialValue: null },
  );

  private readonly covered = computed(() => {
    const { charts, bodies } = this.found() ?? { charts: [], bodies: [] };
    const all = charts.map((chart) => chartCoverage(compiled(chart.sheet), bodies));
    const isKnown = (row: number) => all.every(({ held }) => held[row] !== 'unknown');
    const known = bodies.filter((_, row) => isKnown(row));
    return {
      alike: known.length,
      charts: charts.map((chart, at) => ({
        chart,
        coverage: this.alike() ? chartCoverage(compiled(chart.sheet), known) : all[at]!,
      })),
    };
  });
  protected readonly lines = computed(() =>
    this.covered()
      .charts.map(({ chart: { id, sheet }, coverage: { held, fails, helps } }): Line => {
        const count = (where: Held) => held.filter((one) => one === where).length;
        const known = held.length - count('unknown');
        return {
          id,
          name: `${sheet.garment}, ${sheet.maker}`,
          of: known,
          inside: shareOf(count('inside'), known),
          between: count('between'),
          outside: count('outside'),
          fails:
            fails.length === 0 || sheet.parts.length === 1 ? '–' : `${fails[0]!.part} (${fails[0]!.count})`,
          helps: helps === null ? '–' : sayHelps(helps, sheet.parts.length > 1),
        };
      })
      .sort((one, other) => other.inside.share - one.inside.share || (one.name < other.name ? -1 : 1)),
  );
  protected readonly says = computed(() => {
    const { bodies } = this.found() ?? { bodies: [] };
    const whom = `${bodies.length} ${bodies.length === 1 ? 'person' : 'people'} with any of these measurements`;
    return `${whom}; every chart can place ${this.covered().alike} of them. Whoever lacks a measurement of a chart is not counted by it.`;
  });

  constructor() {
    // Kinds are of all charts, not only of the first ones.
    effect(() => {
      if (this.listed.left() > 0) this.listed.more();
    });
  }

  protected percent(share: number): number {
    return Math.round(100 * share);
  }

  private people(charts: readonly Chart[], whom: string): Observable<Body[]> {
    const codes = [...new Set(charts.flatMap(({ sheet }) => codesOfCoverage(compiled(sheet))))];
    if (whom === '507') return of([...bodies507()]);
    return this.service
      .bodies(codes, whom === 'all' ? null : whom)
      .pipe(map((all) => all.map((one) => new Map(Object.entries(one)) as Body)));
  }
}

/** The further size that would help most, in words. */
function sayHelps({ part, side, beside, count }: FurtherSize, hasParts: boolean): string {
  const size = `one ${side === 'larger' ? 'above' : 'below'} ${beside}`;
  return `${hasParts ? `${part}: ` : ''}${size} (${count} more)`;
}
