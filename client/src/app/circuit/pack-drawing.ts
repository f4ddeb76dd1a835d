import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { TESTS } from '@tetrad/core';
import type { TestName } from '@tetrad/core';

const WIDE = 340;
const TOP = 96;
const HIGH = 84;
const BUS_PLUS = 40;
const BUS_MINUS = 62;

/** A pack as it is built: the battery at hand with the leads on its posts, and in parallel the links to take off it first. */
@Component({
  selector: 'tt-pack-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pack-drawing.svg',
  styleUrls: ['./circuit.css', './pack-drawing.css'],
})
export class PackDrawing {
  readonly test = input.required<TestName>();
  /** 0 is the pack as connected. */
  readonly battery = input.required<number>();
  readonly count = input.required<number>();
  readonly isSeries = input.required<boolean>();

  protected readonly top = TOP;
  protected readonly high = HIGH;
  protected readonly hasLeads = computed(() => TESTS[this.test()].leads?.red !== undefined);
  protected readonly meter = computed(() => {
    const { unit } = TESTS[this.test()];
    return unit === 'ohm' ? 'Ω' : unit;
  });

  protected readonly batteries = computed(() => {
    const count = this.count();
    const gap = 18;
    const width = (WIDE - gap * (count + 1)) / count;
    return Array.from({ length: count }, (_, i) => {
      const x = gap + i * (width + gap);
      return {
        number: i + 1,
        x,
        width,
        plus: x + width * 0.24,
        minus: x + width * 0.76,
        isAtHand: this.battery() === i + 1,
      };
    });
  });

  /** The links between batteries; in parallel those at the posts of the battery at hand come off. */
  protected readonly links = computed(() => {
    const all = this.batteries();
    const isOff = (number: number): boolean => this.battery() === number;
    if (this.isSeries())
      return [
        { d: `M${all[0]!.plus} ${TOP - 6}V24`, off: false, at: [all[0]!.plus, 52] as const },
        ...all.slice(1).map((one, i) => ({
          d: `M${all[i]!.minus} ${TOP - 6}V${BUS_MINUS}H${one.plus}V${TOP - 6}`,
          off: false,
          at: [(all[i]!.minus + one.plus) / 2, BUS_MINUS] as const,
        })),
        { d: `M${all.at(-1)!.minus} ${TOP - 6}V24`, off: false, at: [all.at(-1)!.minus, 52] as const },
      ];
    return all.flatMap((one) => [
      { d: `M${one.plus} ${TOP - 6}V${BUS_PLUS}`, off: isOff(one.number), at: [one.plus, 76] as const },
      { d: `M${one.minus} ${TOP - 6}V${BUS_MINUS}`, off: isOff(one.number), at: [one.minus, 76] as const },
    ]);
  });
  protected readonly buses = computed(() => {
    const [first, last] = [this.batteries()[0]!, this.batteries().at(-1)!];
    return this.isSeries()
      ? []
      : [
          `M${first.plus} ${BUS_PLUS}H${last.plus}M${first.plus} ${BUS_PLUS}V18`,
          `M${first.minus} ${BUS_MINUS}H${last.minus}M${last.minus} ${BUS_MINUS}V18`,
        ];
  });
  /** Where red and black go. */
  protected readonly tips = computed(() => {
    const all = this.batteries();
    const own = all.find(({ isAtHand }) => isAtHand);
    return own
      ? { red: own.plus, black: own.minus }
      : { red: all[0]!.plus, black: this.isSeries() ? all.at(-1)!.minus : all[0]!.minus };
  });
  protected readonly spoken = computed(() => {
    const built = `${this.count()} batteries in ${this.isSeries() ? 'series' : 'parallel'}`;
    if (this.battery() === 0) return `${built}, as connected.`;
    const links = this.isSeries()
      ? 'read in place, at its own posts'
      : 'take its links off first, then read at its own posts';
    return `${built}. Battery ${this.battery()}: ${links}.`;
  });
}
