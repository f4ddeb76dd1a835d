import { Injectable, computed, inject, linkedSignal, untracked } from '@angular/core';
import { TESTS, countedReadings, isWhollyRead, unreadBatteries } from '@tetrad/core';
import type { ReadingStep } from '@tetrad/core';
import { JobStore } from '../../../job/job.store';
import { belongs, keyOf } from '../route/step-key';
import { StepAtHand } from '../step-at-hand';

/** What decides which battery is at hand. */
interface Whose {
  readonly step: string;
  /** How much was saved on this device. */
  readonly own: number;
  readonly asked: number | undefined;
  readonly unread: number;
}
/** What ends a wish to read once more. */
interface Attempt {
  readonly step: string;
  readonly own: number;
  readonly count: number;
  /** It asks for a reading all the same. */
  readonly isEntry: boolean;
}

/** What was read at the step at hand, what of it counts, and which battery is next. */
@Injectable()
export class StepReading {
  readonly #job = inject(JobStore);
  readonly #at = inject(StepAtHand);

  /** The step, where it is one that is read. */
  readonly step = computed((): ReadingStep | null => {
    const step = this.#at.step();
    return step.kind === 'reading' ? step : null;
  });
  readonly attempts = computed(() =>
    this.#job.assessments().filter(({ reading }) => belongs(reading, this.#at.step())),
  );
  readonly counted = computed(() => countedReadings(this.attempts(), this.#job.pass()));

  /** Batteries of the pack that are read by themselves here; none where there is one. */
  readonly batteries = computed((): readonly number[] => {
    const count = this.#job.view()?.case.system.battery.count ?? 1;
    return this.step()?.perBattery && count > 1 ? Array.from({ length: count }, (_, index) => index + 1) : [];
  });
  /** Which battery is at hand: the next that was not read; 0 is the pack as connected. */
  readonly battery = linkedSignal<Whose, number>({
    source: () => ({
      step: `${this.#job.id() ?? ''} ${keyOf(this.#at.step())}`,
      own: this.#job.own().size,
      asked: this.#askedBattery(),
      unread: this.#unread(),
    }),
    computation: (now, before) => {
      const isBusy = before?.source.step === now.step && before.source.own === now.own && untracked(this.#at.isHeld);
      return isBusy ? before.value : (now.asked ?? now.unread);
    },
  });
  readonly isWhollyRead = computed(() => isWhollyRead(this.counted(), this.batteries()));

  /** Somebody wants to read it once more; another step, or a reading taken here, ends that. */
  readonly #isAgain = linkedSignal<Attempt, boolean>({
    source: () => ({
      step: `${this.#job.id() ?? ''} ${keyOf(this.#at.step())}`,
      own: this.#job.own().size,
      count: this.attempts().length,
      isEntry: !this.isWhollyRead() || this.#at.isNext(),
    }),
    computation: (now, before) => {
      if (before?.source.step !== now.step || before.source.own !== now.own) return false;
      if (before.source.count === now.count) return before.value;
      // a reading of somebody else takes no entry away from the hand that is typing into it
      return (before.value || before.source.isEntry) && untracked(this.#at.isHeld);
    },
  });
  /** A step that was read shows what was read; anything else asks for it. */
  readonly isShown = computed(() => {
    const isAgain = this.#isAgain(); // asked for each time: it compares with how things stood before
    const step = this.step();
    const isSeveral = step !== null && TESTS[step.test].isSeveral === true;
    return !isAgain && !isSeveral && this.isWhollyRead() && !this.#at.isNext();
  });
  /** The newest came out void, and no other battery of a pack waits to be read here. */
  readonly isNewestVoid = computed(() => this.batteries().length === 0 && this.attempts().at(-1)?.grade === 'void');
  /** What is shown large: the newest that counts. */
  readonly newest = computed(() => {
    const counted = this.counted();
    const battery = this.battery() || undefined;
    const own = counted.findLast(({ reading }) => reading.battery === battery);
    return own ?? (this.batteries().length > 0 ? null : (counted.at(-1) ?? null));
  });
  /** The next battery without a reading; once all are read the one that was read last, 0 for the pack as connected. */
  #unread(): number {
    const counted = this.counted();
    const batteries = this.batteries();
    if (isWhollyRead(counted, batteries)) return counted.at(-1)?.reading.battery ?? 0;
    return unreadBatteries(counted, batteries)[0] ?? batteries[0] ?? 0;
  }
  /** The battery that what comes next asks for, or that was charged to be read here. */
  #askedBattery(): number | undefined {
    const next = this.#at.next();
    const isCharged = next?.test === 'charge' && this.step()?.test === 'resting-voltage';
    // what was not read yet is read first
    if (!next || this.batteries().length === 0 || !this.isWhollyRead()) return undefined;
    return this.#at.isNext() || isCharged ? next.battery : undefined;
  }

  /** The test, where the newest that counts came out badly: its path is worth narrowing down. */
  readonly failing = computed(() => (this.newest()?.grade === 'outside' ? (this.step()?.test ?? null) : null));

  /** Asks for the step once more. */
  again(): void {
    this.#isAgain.set(true);
  }
}
