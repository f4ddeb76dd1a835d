import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Profile, ProfileNote } from '@tetrad/core';
import { joinedLevels } from '@tetrad/core/light';
import { Figures } from '../device/figures';

/** Drawing units across and down; the drawing is stretched to its place. */
const WIDE = 600;
const HIGH = 200;
/** Half the length of a level, drawing units. */
const REACH = 62;

/** The four-note profile: the product's signature, large on the bench and as a small mark in rows. */
@Component({
  selector: 'tt-profile',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './profile-view.html',
  styleUrl: './profile-view.css',
  host: { '[class.small]': 'small()' },
})
export class ProfileView {
  readonly #figures = inject(Figures);
  readonly profile = input.required<Profile>();
  readonly small = input(false);

  protected readonly wide = WIDE;
  protected readonly high = HIGH;
  protected readonly reach = REACH;

  /** Levels joined by a line, with a gap where one was not read; each reaches to both sides of its note. */
  protected readonly path = computed(() =>
    joinedLevels(this.profile().notes)
      .map((line) => {
        const points = line.flatMap(({ x, y }) => [
          [x * WIDE - REACH, y * HIGH],
          [x * WIDE + REACH, y * HIGH],
        ]);
        return `M${points.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`).join('L')}`;
      })
      .join(''),
  );

  protected readonly spoken = computed(() => {
    const { notes, ripple } = this.profile();
    const read = notes
      .filter(({ volts }) => volts !== null)
      .map(({ name, volts, grade }) => `${name} ${this.#figures.format().volts(volts!)}, ${grade}`);
    return (
      [...read, ...(ripple ? [`Ripple ${this.#figures.format().smallVolts(ripple.volts)}`] : [])].join('; ') ||
      'Nothing read yet'
    );
  });

  protected shown({ volts }: ProfileNote): string {
    return volts === null ? '–' : this.#figures.format().plain(volts, 2);
  }
  protected readonly millivolts = (volts: number): string => this.#figures.format().smallVolts(volts);
}
