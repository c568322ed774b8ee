export { WalkScreen } from "./WalkScreen.tsx";
