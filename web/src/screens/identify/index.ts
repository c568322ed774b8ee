export { IdentifyScreen } from "./IdentifyScreen.tsx";
