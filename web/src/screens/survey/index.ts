export { SurveyScreen } from "./SurveyScreen.tsx";
