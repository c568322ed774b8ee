/**
 * The rows of Today in words. While the day is moved only what is in sight is answered anew in words: rows out of
 * sight keep those of an earlier day, and none is made there. Where they stand and how many they are is always of
 * the day; the rest follows when it rests.
 */
import type { GardenModel, Voice } from "@wren/core";
import type { Group } from "./groups.ts";
import { rowView, type RowView } from "./rowView.ts";

/** A row in words, and what it was made from besides its day. */
interface Made {
  readonly view: RowView;
  readonly model: GardenModel;
  readonly say: Voice;
}

export class Rows {
  /** In the order in which they stand. */
  #made = new Map<string, Made>();
  /** So many rows from the top are in sight, at the least, since the day is moved. */
  #reach = 0;
  readonly #inSight: (plantId: string) => boolean;

  constructor(inSight: (plantId: string) => boolean) {
    this.#inSight = inSight;
  }

  /** Puts the rows of each group in words, group by group. */
  of(
    groups: readonly Pick<Group, "id" | "rows" | "also">[],
    model: GardenModel,
    say: Voice,
    moving: boolean,
  ): readonly (readonly RowView[])[] {
    if (!moving) this.#reach = 0;
    const last = [...this.#made.keys()].findLastIndex(this.#inSight);
    this.#reach = Math.max(this.#reach, last + 1);
    const made = new Map<string, Made>();
    let index = 0;
    const views = groups.map((g) =>
      g.rows.flatMap((a): RowView | readonly [] => {
        const old = this.#made.get(a.plantId);
        const near = index++ < this.#reach;
        const also = g.also.get(a.plantId) ?? [];
        const stands =
          old?.view.group === g.id && old.view.also === also.join(" ") && old.model === model && old.say === say;
        if (moving && !stands && !near) return [];
        const kept = moving && stands && !this.#inSight(a.plantId);
        const row = kept ? old : { view: rowView(a, g.id, model, say, also), model, say };
        made.set(a.plantId, row);
        return row.view;
      }),
    );
    this.#made = made;
    return views;
  }
}
