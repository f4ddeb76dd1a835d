declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(output: number[], input: readonly number[]): void;
    completeSpectrum(spectrum: number[]): void;
    inverseTransform(output: number[], input: readonly number[]): void;
  }
}
