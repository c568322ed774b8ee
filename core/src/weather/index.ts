export { withWeather } from "./merge.ts";
export { climateFromDays, type ObservedClimate } from "./normals.ts";
export { readWeather, type WeatherIssueCode, type WeatherTable, type WeatherUnit } from "./readWeather.ts";
export { OUTLOOK_DAYS, simulatedDays } from "./station.ts";
