/** The walls of the house: what may import what. The arrows inside core have their own test, core/test/layers.test.ts. */
module.exports = {
  forbidden: [
    {
      name: "core-stays-pure",
      comment: "core knows no interface, storage or server",
      severity: "error",
      from: { path: "^core/src" },
      to: {
        path: "^(web|server|cli|e2e)/|node_modules/(react|react-dom|@mui|@emotion|@tanstack|dexie|fastify)",
      },
    },
    {
      name: "core-no-node",
      severity: "error",
      from: { path: "^core/src" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-through-its-door",
      comment: "other workspaces use core/src/index.ts only",
      severity: "error",
      from: { path: "^(web|server|cli|e2e)/" },
      to: { path: "^core/src/", pathNot: "^core/src/index\\.ts$" },
    },
    {
      name: "web-is-an-island",
      severity: "error",
      from: { path: "^web/" },
      to: { path: "^(server|cli|e2e)/" },
    },
    {
      name: "server-is-an-island",
      severity: "error",
      from: { path: "^server/" },
      to: { path: "^(web|cli|e2e)/" },
    },
    {
      name: "cli-is-an-island",
      severity: "error",
      from: { path: "^cli/" },
      to: { path: "^(web|server|e2e)/" },
    },
    {
      name: "screens-do-not-know-each-other",
      severity: "error",
      from: { path: "^web/src/screens/([^/]+)/" },
      to: { path: "^web/src/screens/([^/]+)/", pathNot: "^web/src/screens/$1/" },
    },
    {
      name: "screens-through-their-door",
      severity: "error",
      from: { path: "^web/src/app/" },
      to: { path: "^web/src/screens/[^/]+/", pathNot: "^web/src/screens/[^/]+/index\\.ts$" },
    },
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.base.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "/(dist|\\.out)/" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "types", "default"] },
  },
};
