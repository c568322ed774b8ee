/** @type {import("jest").Config} */
const swc = [
  "@swc/jest",
  {
    jsc: {
      target: "es2023",
      parser: { syntax: "typescript", tsx: true },
      transform: { react: { runtime: "automatic" } },
    },
    module: { type: "es6" },
    sourceMaps: "inline",
  },
];
const common = {
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transformIgnorePatterns: ["/node_modules/"],
  testPathIgnorePatterns: ["/node_modules/", "/dist/", "/e2e/"],
  setupFiles: [`${import.meta.dirname}/core/test/seed.ts`],
};
/** In plain Node: Jest's sandbox would load three hundred modules and five hundred kinds anew for every file. */
const plain = (name) => ({
  ...common,
  displayName: name,
  rootDir: `${import.meta.dirname}/${name}`,
  runner: "jest-light-runner",
  testEnvironment: "node",
  testMatch: ["**/*.test.ts"],
  transform: {},
});
export default {
  // Whole screens in jsdom on a busy machine: slow is not wrong.
  testTimeout: 60_000,
  // Nothing else runs beside it: left alone, jest keeps one core of two idle.
  maxWorkers: "100%",
  projects: [
    plain("core"),
    plain("server"),
    plain("cli"),
    {
      ...common,
      displayName: "web",
      rootDir: `${import.meta.dirname}/web`,
      testEnvironment: `${import.meta.dirname}/web/test/env.mjs`,
      testMatch: ["**/*.test.ts?(x)"],
      transform: { "\\.tsx?$": swc },
    },
  ],
};
