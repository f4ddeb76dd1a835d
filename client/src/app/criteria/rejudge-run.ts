import { Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { ChangedVerdict, Problem, RejudgeProgress } from '@tetrad/contracts';
import { selectShop } from '../state/session/session.feature';
import { addressOf } from '@tetrad/contracts/addresses';

/** One run that judges past jobs again on the server: how far it is, which decisions would change, and its end. */
@Injectable()
export class RejudgeRun {
  readonly #shop = inject(Store).selectSignal(selectShop);
  #stop: AbortController | null = null;
  readonly progress = signal<Omit<RejudgeProgress, 'verdicts'> | null>(null);
  readonly verdicts = signal<readonly ChangedVerdict[]>([]);
  readonly problem = signal<string | null>(null);
  readonly isRunning = signal(false);
  readonly share = computed(() => {
    const now = this.progress();
    return now && now.total > 0 ? now.done / now.total : 0;
  });

  async begin(set: string, version: number): Promise<void> {
    this.cancel();
    const stop = new AbortController();
    this.#stop = stop;
    this.progress.set(null);
    this.verdicts.set([]);
    this.problem.set(null);
    this.isRunning.set(true);
    try {
      await this.#read(addressOf('rejudge', this.#shop() ?? '', set, version), stop.signal);
    } catch (error) {
      if (!stop.signal.aborted) this.problem.set(error instanceof Error ? error.message : String(error));
    } finally {
      if (this.#stop === stop) this.isRunning.set(false);
    }
  }
  cancel(): void {
    this.#stop?.abort();
    this.#stop = null;
    this.isRunning.set(false);
  }

  async #read(address: string, signal: AbortSignal): Promise<void> {
    const answer = await fetch(address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{}',
      signal,
    });
    if (!answer.ok || !answer.body) throw new Error(((await answer.json()) as Problem).detail);
    const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      const lines = (rest + value).split('\n');
      rest = lines.pop()!;
      for (const line of lines) this.#take(JSON.parse(line) as RejudgeProgress);
    }
  }
  #take({ verdicts, ...progress }: RejudgeProgress): void {
    this.progress.set(progress);
    if (verdicts.length > 0) this.verdicts.update((before) => [...before, ...verdicts]);
  }
}
