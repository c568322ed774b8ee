/** A sentence begins with a capital letter. */
export const capital = (w: string): string => w.replace(/^./, (c) => c.toUpperCase());
