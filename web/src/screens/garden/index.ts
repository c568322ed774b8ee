export { GardenScreen } from "./GardenScreen.tsx";
