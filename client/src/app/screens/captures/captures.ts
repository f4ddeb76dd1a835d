import { DatePipe, DecimalPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CaptureReading } from '@tetrad/core/capture-format';
import { CaptureSender } from '../../captures/capture-sender';
import { JobStore } from '../../job/job.store';
import { Button } from '../../kit/button';
import { FileButton } from '../../kit/file-button';
import { Message } from '../../kit/message';
import { Progress } from '../../kit/progress';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { CaptureChart } from './capture-chart';
import { CaptureList } from './capture-list';
import { CaptureSays } from './capture-says';
import { CaptureViewport, LOOKS } from './capture-viewport';
import { ChannelMap } from './channel-map';
import { SEGMENT_NAMES } from './chart-dress';
import { ComparedCapture } from './compared-capture';
import { CursorStrip } from './cursor-strip';
import { RecordPanel } from './record-panel';
import { ShownCapture } from './shown-capture';

/** Kinds of files that are offered first; the content decides, not the name. */
const CAPTURE_FILES = '.csv,.txt,.tsv,.wav,.json';

/** Recorded waveforms of a job: dropped here, taken apart, looked at, and turned into readings. */
@Component({
  selector: 'tt-captures',
  imports: [
    Button,
    CaptureChart,
    CaptureSays,
    ChannelMap,
    Coming,
    CursorStrip,
    DatePipe,
    DecimalPipe,
    Empty,
    FileButton,
    Message,
    Progress,
    RecordPanel,
    RouterLink,
    Segmented,
    Select,
  ],
  providers: [JobStore, CaptureList, ShownCapture, ComparedCapture, CaptureViewport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './captures.html',
  styleUrl: './captures.css',
  host: {
    '(dragover)': 'over($event)',
    '(dragleave)': 'dropping.set(false)',
    '(drop)': 'drop($event)',
    '[class.dropping]': 'dropping()',
  },
})
export class Captures {
  protected readonly job = inject(JobStore);
  protected readonly sender = inject(CaptureSender);
  protected readonly list = inject(CaptureList);
  protected readonly shown = inject(ShownCapture);
  protected readonly compared = inject(ComparedCapture);
  protected readonly seen = inject(CaptureViewport);
  readonly #toasts = inject(Toasts);
  readonly id = input.required<string>();
  /** From the address: a capture, and the stretch of it that a reading came from. */
  readonly capture = input<string>();
  readonly from = input<string>();
  readonly to = input<string>();

  protected readonly SEGMENT_NAMES = SEGMENT_NAMES;
  protected readonly LOOKS = LOOKS;
  protected readonly FILES = CAPTURE_FILES;
  protected readonly dropping = signal(false);
  protected readonly chart = viewChild(CaptureChart);
  /** Until somebody cancels, the one of the address or the newest is opened. */
  #opensByItself = true;

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.job.open(id));
    });
    effect(() => {
      const list = this.list.all();
      if (this.shown.id() !== null || list.length === 0 || !this.job.view() || !this.#opensByItself) return;
      untracked(() => {
        this.shown.show(list.find(({ id }) => id === this.capture()) ?? list.at(-1)!);
        const [fromS, toS] = [Number(this.from()), Number(this.to())];
        if (this.from() && toS > fromS) this.seen.show({ fromS, toS });
      });
    });
  }

  protected over(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.dropping.set(true);
  }
  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.dropping.set(false);
    const file = event.dataTransfer?.files[0];
    if (file) this.shown.add(file);
  }
  /** Stops reading, and nothing opens by itself after it. */
  protected cancel(): void {
    this.#opensByItself = false;
    this.shown.cancel();
  }

  /** Takes readings into the job, each with the stretch it came from. */
  protected take(readings: readonly CaptureReading[]): void {
    const capture = this.shown.id();
    if (capture === null) return;
    for (const { test, value, uncertainty, conditions = {}, fromS, toS } of readings)
      this.job.read(test, {
        value,
        uncertainty,
        conditions: conditions as Record<string, string | number | boolean>,
        capture: { id: capture, fromS, toS },
      });
    this.#toasts.say(
      readings.length === 1 ? 'Taken into the job' : `${readings.length} readings taken into the job`,
      () => {
        for (const _ of readings) this.job.undo();
      },
    );
  }
}
