/**
 * How many letters have to change, come or go, or be swapped with their neighbour, to turn a word into each beginning of
 * another (optimal string alignment). // => lettersOff("ab", "abc") is [2, 1, 0, 1]
 */
export function lettersOff(word: string, other: string): readonly number[] {
  let [before, row]: [number[], number[]] = [[], Array.from({ length: other.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= word.length; i++) {
    const next = [i];
    for (let j = 1; j <= other.length; j++) {
      const same = word[i - 1] === other[j - 1];
      let off = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (same ? 0 : 1));
      const swapped = i > 1 && j > 1 && word[i - 1] === other[j - 2] && word[i - 2] === other[j - 1];
      if (swapped) off = Math.min(off, before[j - 2]! + 1);
      next.push(off);
    }
    [before, row] = [row, next];
  }
  return row;
}
