export { CatalogueScreen } from "./CatalogueScreen.tsx";
export { KindScreen } from "./KindScreen.tsx";
