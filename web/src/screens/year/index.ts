export { YearScreen } from "./YearScreen.tsx";
