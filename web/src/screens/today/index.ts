export { TodayScreen } from "./TodayScreen.tsx";
