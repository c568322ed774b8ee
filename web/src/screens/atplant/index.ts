export { AtPlantScreen } from "./AtPlantScreen.tsx";
