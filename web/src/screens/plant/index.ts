export { PlantScreen } from "./PlantScreen.tsx";
