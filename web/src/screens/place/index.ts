export { PlaceScreen } from "./PlaceScreen.tsx";
