/** What the solver's loader asks Node for stands in for Node in the browser, where it is never asked. */
export const createRequire = undefined;
