/** A fresh id for a row; stays with it for good. */
export const newId = (): string => crypto.randomUUID();
