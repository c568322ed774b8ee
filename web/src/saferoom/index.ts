export { SafeRoom as default } from "./SafeRoom.tsx";
