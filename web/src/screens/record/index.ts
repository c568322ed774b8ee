export { RecordScreen } from "./RecordScreen.tsx";
