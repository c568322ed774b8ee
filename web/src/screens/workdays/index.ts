export { WorkDaysScreen } from "./WorkDaysScreen.tsx";
