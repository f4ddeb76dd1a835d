/** How many vehicles of the practice bay the judge's own path solves, played through the bay's actions. Prints it as JSON. */
import { anyVehicle, isSolved } from '../../core/src/practice';

const VEHICLES = 500;

const solved = Array.from({ length: VEHICLES }, (_, at) => anyVehicle(at + 1)).filter(isSolved).length;
console.log(JSON.stringify({ solved, of: VEHICLES }));
