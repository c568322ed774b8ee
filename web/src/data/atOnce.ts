/**
 * The very first picture of a page answers for so many plants, and says so by leaving the counts out; the others join
 * them in the next frame. On a slow phone the first answer is there more than a fifth sooner, in a garden of hundreds
 * much more.
 */
export const AT_ONCE = 1;
