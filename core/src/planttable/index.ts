export * from "./cells.ts";
export * from "./columns.ts";
export * from "./hedgeTable.ts";
export * from "./readTable.ts";
export * from "./writeTable.ts";
export {
  readRecords,
  recordIssueText,
  recordTable,
  RECORD_TABLES,
  withRecords,
  type RecordsRead,
  type RecordTable,
} from "./recordTable.ts";
