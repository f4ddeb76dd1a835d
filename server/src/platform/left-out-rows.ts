/**
 * Rows that cannot be told: each is left out of its list, and told with its id to those who can mend it, so that one
 * never takes a whole list down.
 */
import type { ShopId } from '@tetrad/contracts';
import { workingShop } from './database/working-shop';

export interface LeftOutRow {
  readonly shop: ShopId;
  /** What the list holds: jobs, instruments. */
  readonly list: string;
  readonly id: string;
  readonly problem: string;
}

/** How a list makes an answer of its rows. */
export interface Listing<Row, View> {
  readonly list: string;
  readonly idOf: (row: Row) => string;
  readonly view: (row: Row) => View;
}

export class LeftOutRows {
  readonly #known = new Set<string>();

  /** @param tell Called once for each row, as long as this process runs or until the row is right again. */
  constructor(private readonly tell: (row: LeftOutRow) => void) {}

  /** How many rows this process has left out and not seen right since. */
  get size(): number {
    return this.#known.size;
  }

  /** The rows as they are answered, without those that cannot be. */
  show<Row, View>(rows: readonly Row[], { list, idOf, view }: Listing<Row, View>): readonly View[] {
    const shop = workingShop();
    return rows.flatMap((row) => {
      const id = idOf(row);
      const key = JSON.stringify([shop, list, id]);
      try {
        const shown = view(row);
        this.#known.delete(key);
        return [shown];
      } catch (error) {
        if (!this.#known.has(key)) {
          this.#known.add(key);
          this.tell({ shop, list, id, problem: error instanceof Error ? error.message : String(error) });
        }
        return [];
      }
    });
  }
}
