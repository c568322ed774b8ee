/** Fetched apart: five hundred kinds come after the first answer. */
export { CATALOGUE } from "@wren/core";
