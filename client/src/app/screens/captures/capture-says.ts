import { DecimalPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { TESTS, capital, readingWords } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { asCaseReading } from '@tetrad/core/capture-format';
import type { Capture, CaptureReading } from '@tetrad/core/capture-format';
import { Sentences } from '../../device/sentences';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import type { Stretch } from './stretch';

/** Readings that are sure enough to be offered at once; the others wait for a person's tick. */
const SURE_FROM = 0.6;

/** What the record shows: findings first, then readings, each leading to its stretch. */
@Component({
  selector: 'tt-capture-says',
  imports: [Button, Check, DecimalPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (finding of capture().findings; track $index) {
      <p class="finding">
        <strong>{{ capital(finding.finding.replaceAll('-', ' ')) }}</strong>&ngsp;
        <span class="soft figure">{{ finding.confidence * 100 | number: '1.0-0' }} %</span><br />
        {{ finding.because }}
        @if (finding.fromS !== undefined && finding.toS !== undefined) {
          <button pButton kind="link" (click)="shown.emit({ fromS: finding.fromS, toS: finding.toS })">Show it</button>
        }
      </p>
    }
    <div class="head">
      <h2>Readings it shows</h2>
      @if (toTake().length > 0) {
        <button pButton kind="main" (click)="took.emit(toTake())">
          Use {{ toTake().length }} {{ toTake().length === 1 ? 'reading' : 'readings' }}
        </button>
      }
    </div>
    @for (row of rows(); track row.reading.id) {
      <div class="row">
        @if (row.isTaken) {
          <span class="soft done">taken</span>
        } @else {
          <tt-check [value]="ticked().has(row.reading.id)" (valueChange)="tick(row.reading.id, $event === true)">
            <span class="sr-only">Use {{ row.name }}</span>
          </tt-check>
        }
        <button pButton kind="link" class="what" (click)="shown.emit(row.reading)">{{ row.name }}</button>
        <span class="figure value">{{ row.value }}</span>
        <span class="soft small">
          ± {{ row.uncertainty }}
          @if (row.reading.confidence < SURE_FROM) {
            · only {{ row.reading.confidence * 100 | number: '1.0-0' }} % sure
          }
        </span>
      </div>
    } @empty {
      <p class="soft">None: the record shows no stretch that a reading could be taken from.</p>
    }
    @if (besides().length > 0) {
      <h2>Besides</h2>
      <dl>
        @for (entry of besides(); track entry.name) {
          <dt>{{ entry.name }}</dt>
          <dd class="figure">{{ entry.value }}</dd>
        }
      </dl>
    }
    @if (capture().cylinders.length > 0) {
      <h2>Compressions, in the order of firing</h2>
      <div class="cylinders" role="img" [attr.aria-label]="cylinderWords()">
        @for (cylinder of capture().cylinders; track cylinder.index) {
          <span class="cylinder" [class.weak]="cylinder.relative < 0.85">
            <span class="bar"><span class="fill" [style.height.%]="cylinder.relative * 100"></span></span>
            <span class="figure small">{{ cylinder.index }}</span>
          </span>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    h2 {
      margin-top: 8px;
    }
    .finding {
      padding: 8px 12px;
      border-left: 3px solid var(--outside);
      background: var(--shade);
      line-height: 1.35;
    }
    .row {
      display: grid;
      grid-template-columns: 36px minmax(0, 1fr) auto auto;
      align-items: center;
      gap: 0 8px;
      border-bottom: 1px solid var(--line-soft);
    }
    .head {
      display: flex;
      align-items: center;
      justify-content: space-between;
      min-height: 44px;
    }
    .what {
      justify-self: start;
      text-align: left;
    }
    .value {
      font-size: var(--text-xl);
    }
    .small,
    .done {
      font-size: var(--text-xs);
    }
    dl {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 4px 12px;
      margin: 0;
    }
    dd {
      margin: 0;
    }
    .cylinders {
      display: flex;
      gap: 12px;
    }
    .cylinder {
      display: grid;
      justify-items: center;
      gap: 4px;
    }
    .bar {
      display: flex;
      align-items: flex-end;
      width: 24px;
      height: 64px;
      border: 1px solid var(--line);
    }
    .fill {
      width: 100%;
      background: var(--ink-soft);
    }
    .weak .fill {
      background: var(--outside);
    }
  `,
})
export class CaptureSays {
  readonly #voice = inject(Sentences);
  readonly capture = input.required<Capture>();
  readonly id = input.required<string>();
  /** The job's readings: what was taken already is not offered again. */
  readonly taken = input.required<readonly Reading[]>();
  readonly shown = output<Stretch>();
  readonly took = output<readonly CaptureReading[]>();

  protected readonly SURE_FROM = SURE_FROM;
  protected readonly capital = capital;
  protected readonly rows = computed(() => {
    const voice = this.#voice.voice();
    return this.capture().readings.map((reading) => ({
      reading,
      name: TESTS[reading.test].name,
      value: readingWords(asCaseReading(reading), voice),
      uncertainty: voice.value(reading.test, reading.uncertainty),
      isTaken: this.#isTaken(reading),
    }));
  });
  protected readonly ticked = linkedSignal(
    () =>
      new Set(
        this.capture()
          .readings.filter(({ confidence }) => confidence >= SURE_FROM)
          .map(({ id }) => id),
      ),
  );
  protected readonly toTake = computed(() =>
    this.rows()
      .filter(({ reading, isTaken }) => !isTaken && this.ticked().has(reading.id))
      .map(({ reading }) => reading),
  );
  protected readonly besides = computed(() => {
    const voice = this.#voice.voice();
    const { resistance, chargingAmps, ripple, field, compressionsHz, groundNoiseV } = this.capture();
    return [
      resistance && {
        name: 'Battery, from volts over amps',
        value: `${voice.ohms(resistance.ohm)} ± ${voice.ohms(resistance.error)}`,
      },
      compressionsHz && { name: 'Compressions', value: `${voice.plain(compressionsHz, 1)} a second` },
      typeof chargingAmps === 'number' && { name: 'Into the battery, charging', value: voice.amps(chargingAmps) },
      ripple?.humpHz && { name: 'Humps', value: `${voice.plain(ripple.humpHz, 0)} a second` },
      field && { name: 'Field reserve', value: `${voice.plain(field.reservePercent, 0)} %` },
      groundNoiseV && { name: 'Ground noise', value: voice.smallVolts(groundNoiseV) },
    ].filter((entry) => entry !== null && typeof entry === 'object');
  });
  protected readonly cylinderWords = computed(() =>
    this.capture()
      .cylinders.map(({ index, relative }) => `${index}: ${Math.round(relative * 100)} %`)
      .join(', '),
  );

  protected tick(id: string, holds: boolean): void {
    this.ticked.update((before) => {
      const next = new Set(before);
      if (holds) next.add(id);
      else next.delete(id);
      return next;
    });
  }

  #isTaken({ test, fromS }: CaptureReading): boolean {
    return this.taken().some(
      (reading) =>
        reading.test === test &&
        reading.void === undefined &&
        reading.capture?.id === this.id() &&
        Math.abs(reading.capture.fromS - fromS) < 1e-6,
    );
  }
}
