export { ApartScreen } from "./ApartScreen.tsx";
