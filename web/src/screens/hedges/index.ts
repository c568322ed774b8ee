export { HedgesScreen } from "./HedgesScreen.tsx";
