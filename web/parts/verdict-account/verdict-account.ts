import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  fitChecksOf,
  sayAlteration,
  sayChance,
  sayChange,
  sayDerivedLine,
  sayReason,
  sayCountedAs,
  sayTakenOtherwise,
  type ChartSheet,
  type GarmentVerdict,
  type WorkingUnit,
} from '@neat-measure/core';
import { FitChecks } from '../fit-checks/fit-checks';
import { SizeRuler } from '../size-ruler/size-ruler';
import { Term } from '../term/term';
import { rulersOf } from './verdict-view';
import { UnitService } from '../../data/unit-service';

/** So many labels are told with their chances; the rest are unlikely. */
const LABELS_SHOWN = 4;
/** And so many sizes of a part. */
const ODDS_SHOWN = 2;

/**
 * The whole account of a verdict: the reason, the rulers, how sure the tape is, what would
 * change it, what to alter, the maker's arithmetic line by line, and what to be careful of.
 */
@Component({
  selector: 'nm-verdict-account',
  imports: [FitChecks, SizeRuler, Term],
  templateUrl: './verdict-account.html',
  styleUrl: './verdict-account.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictAccount {
  readonly sheet = input.required<ChartSheet>();
  readonly verdict = input.required<GarmentVerdict>();
  readonly unit = input.required<WorkingUnit>();

  private readonly units = inject(UnitService);
  protected readonly says = computed(() => sayReason(this.verdict(), this.units.written(this.unit())));
  private readonly several = computed(() => this.verdict().parts.length > 1);

  /** The rulers part by part; beside the first of a part what it came to, and how sure the tape is of it. */
  protected readonly rows = computed(() => {
    const rulers = rulersOf(this.sheet(), this.verdict());
    return rulers.map((ruler, at) => {
      const first = rulers[at - 1]?.partCode !== ruler.partCode;
      const { odds = [] } = this.verdict().parts.find(({ part }) => part === ruler.partCode) ?? {};
      return {
        ruler,
        first,
        name: this.several() && first ? ruler.part : ruler.name,
        from: this.several() && first && ruler.part !== ruler.name ? ruler.name : '',
        size: this.several() ? (this.verdict().sizes[ruler.partCode] ?? '–') : '',
        odds:
          odds.length < 2
            ? []
            : odds
                .slice(0, ODDS_SHOWN)
                .map(({ size, chance }) => ({ size: size ?? 'none', words: sayChance(chance) })),
      };
    });
  });

  /** The chances of whole labels, where more than one is likely and a part's chances do not say it already. */
  protected readonly labels = computed(() =>
    this.several() && this.verdict().odds.length > 1
      ? this.verdict()
          .odds.slice(0, LABELS_SHOWN)
          .map(({ label, chance }) => ({ label: label ?? 'none', words: sayChance(chance) }))
      : [],
  );

  /** How little would make it another size, a line a part. */
  protected readonly changes = computed(() =>
    this.verdict()
      .parts.map((part) => sayChange(part, this.units.written(this.unit())))
      .filter((line) => line !== null),
  );

  protected readonly alterations = computed(() =>
    this.verdict().parts.flatMap(({ alterations, proposed }) =>
      alterations.map((one) => sayAlteration(one, proposed ?? '', this.units.written(this.unit()))),
    ),
  );

  protected readonly marks = computed(() => [
    ...this.verdict().countedAs.map((one) => sayCountedAs(one, this.units.written(this.unit()))),
    ...this.verdict().takenOtherwise.map(sayTakenOtherwise),
  ]);

  /** The same sizes in the names of other systems. */
  protected readonly otherNames = computed(() =>
    this.sheet().parts.flatMap((part) => {
      const at = part.sizes.indexOf(this.verdict().sizes[part.code] ?? '');
      return at < 0 ? [] : part.otherNames.map(({ system, labels }) => `${system} ${labels[at]!}`);
    }),
  );

  protected readonly fits = computed(() => fitChecksOf(this.sheet()).length > 0);

  protected readonly arithmetic = computed(() => {
    const { derived } = this.verdict();
    const nameOf = (code: string) => derived.find((one) => one.code === code)?.name ?? code;
    return derived
      .filter(({ lines }) => lines.length > 0)
      .map(({ code, name, lines }) => ({
        code,
        name,
        lines: lines.map((line) =>
          sayDerivedLine(line, {
            maker: this.units.written(this.sheet().unit),
            reader: this.units.written(this.unit()),
            nameOf,
          }),
        ),
      }));
  });
}
