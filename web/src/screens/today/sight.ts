/** Which rows of a long list are in sight: while the day is moved only these need their words anew. */

/** Rows this far beyond the edges of the screen count as in sight, so that scrolling meets none of an earlier day. */
const MARGIN = "300px";

export class Sight {
  readonly #out = new Set<Element>();
  readonly #rows = new Map<string, Element>();
  readonly #watch: IntersectionObserver | null;

  /** @param onEnter told when a row comes into sight */
  constructor(onEnter: () => void) {
    this.#watch =
      typeof IntersectionObserver === "undefined"
        ? null
        : new IntersectionObserver((seen) => this.#take(seen, onEnter), { rootMargin: MARGIN });
  }

  #take(seen: readonly IntersectionObserverEntry[], onEnter: () => void): void {
    let entered = false;
    for (const { target, isIntersecting } of seen) {
      if (!isIntersecting) this.#out.add(target);
      else if (this.#out.delete(target)) entered = true;
    }
    if (entered) onEnter();
  }

  /** A row comes to stand in the page. // => the way to take it out again */
  add(id: string, row: Element): () => void {
    this.#rows.set(id, row);
    this.#watch?.observe(row);
    return () => {
      if (this.#rows.get(id) === row) this.#rows.delete(id);
      this.#out.delete(row);
      this.#watch?.unobserve(row);
    };
  }

  /** Does the row stand in the page, and has nobody seen it to be out of sight? */
  has(id: string): boolean {
    const row = this.#rows.get(id);
    return row !== undefined && !this.#out.has(row);
  }
}
