/** When compressions are heard: by the speed of the engine and its cylinders. */
export class CrankSound {
  #phase = 0;

  /**
   * @param rpm Of the crankshaft.
   * @param cylinders Of a four-stroke: half of them compress in a turn.
   * @param elapsedS Since the last look, s.
   * @returns whether a compression fell into that time.
   */
  passes(rpm: number, cylinders: number, elapsedS: number): boolean {
    const before = Math.floor(this.#phase);
    this.#phase += (rpm / 120) * cylinders * elapsedS;
    return Math.floor(this.#phase) > before;
  }
}
