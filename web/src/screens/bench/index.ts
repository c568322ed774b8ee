export { BenchScreen } from "./BenchScreen.tsx";
