export * from "./reminders.ts";
