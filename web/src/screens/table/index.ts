export { TableScreen } from "./TableScreen.tsx";
