import { YEAR_DAYS } from "../calendar/index.ts";

/** Bytes of a year of single numbers, rounded up so that doubles may follow. */
const ROW_BYTES = 8 * Math.ceil((YEAR_DAYS * Float32Array.BYTES_PER_ELEMENT) / 8);

/** Arrays of a year cut from one block of memory: where years are priced by the thousand, asking for memory costs most. */
export class Sheet {
  readonly #block: ArrayBuffer;
  #used = 0;

  /** @param rows singles and bytes take a row each, doubles two; a RangeError when more are taken */
  constructor(rows: number) {
    this.#block = new ArrayBuffer(rows * ROW_BYTES);
  }
  /** Blank again: whatever was read off it is gone. */
  wipe(): this {
    new Uint8Array(this.#block, 0, this.#used * ROW_BYTES).fill(0);
    this.#used = 0;
    return this;
  }
  #take(rows: number): number {
    const at = this.#used * ROW_BYTES;
    this.#used += rows;
    return at;
  }
  singles(): Float32Array {
    return new Float32Array(this.#block, this.#take(1), YEAR_DAYS);
  }
  doubles(): Float64Array {
    return new Float64Array(this.#block, this.#take(2), YEAR_DAYS);
  }
  bytes(): Uint8Array {
    return new Uint8Array(this.#block, this.#take(1), YEAR_DAYS);
  }
}
