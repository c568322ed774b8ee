import type { FileIssue } from "@wren/core";

/** A change that may not be kept, in a sentence that can be shown. Nothing was written. */
export class Refused extends Error {
  readonly issues: readonly FileIssue[];
  constructor(message: string, issues: readonly FileIssue[] = []) {
    super(message);
    this.name = "Refused";
    this.issues = issues;
  }
}
