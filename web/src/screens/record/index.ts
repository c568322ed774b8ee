export { NotebookScreen } from "./NotebookScreen.tsx";
export { RecordScreen } from "./RecordScreen.tsx";
