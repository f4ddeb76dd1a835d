/** Every exercise, those made by number too, can be solved. */
import { EXERCISES, anyVehicle, isSolved } from '../../src/practice';

describe('every exercise can be solved', () => {
  test.each(EXERCISES.map((exercise) => [exercise.id, exercise]))('%s, by the judge’s own path', (_id, exercise) => {
    expect(isSolved(exercise)).toBe(true);
  });
  test('any vehicle by its number, 97 of 100', () => {
    const unsolved = Array.from({ length: 150 }, (_, at) => anyVehicle(at + 1)).filter((one) => !isSolved(one));
    expect(unsolved.map(({ id, faults }) => `${id} ${faults.join()}`).length).toBeLessThanOrEqual(4);
  });
});
