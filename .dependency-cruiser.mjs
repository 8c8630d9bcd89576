/**
 * Which files may import which. `npm run lint` refuses what is not allowed here.
 *
 *     apps (server, web, cli) ─▶ painters, ipp ─▶ colour, core        demo, devices, e2e, bench ─▶ all of them
 *
 * Nothing imports in a circle, the types included. The core knows no screen, no file and no clock. Apps know each other by
 * the server’s contract alone.
 */
const TESTS = "\\.test\\.ts$|/testing/|\\.screenshots\\.ts$";

/** The rooms of the core from the top down: a room imports from those below it. */
const ROOMS = [
  "camera",
  "event",
  "report",
  "edit",
  "impose",
  "plan",
  "kinds",
  "job",
  "finish",
  "photo",
  "solve",
  "calendar",
  "catalogue",
  "schema",
  "base",
];
/** What a kind of job keeps in the job file stands in its own folder, and below the job that is made of it. */
const TICKETS = "^packages/core/src/kinds/(tickets|[^/]+/(ticket|packing|tree))\\.ts$";
const room = (name) => `^packages/core/src/${name}/`;
const roomsAbove = (name) => `^packages/core/src/(${ROOMS.slice(0, ROOMS.indexOf(name)).join("|")})/`;

export default {
  forbidden: [
    {
      name: "no-circle",
      comment: "Files that need each other are one thing, or one of them is two.",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    {
      name: "core-knows-no-platform",
      comment: "The same code runs in the browser, on the server and in the shell.",
      severity: "error",
      from: { path: "^packages/core/src", pathNot: TESTS },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-knows-nobody",
      comment: "The core stands below everything else.",
      severity: "error",
      from: { path: "^packages/core/src", pathNot: TESTS },
      to: { path: "^(apps|devices|demo|e2e|bench|packages/(?!core))" },
    },
    ...ROOMS.slice(1).map((name) => ({
      name: `${name}-knows-no-room-above`,
      comment: "A room of the core imports from those below it alone.",
      severity: "error",
      from: { path: room(name), pathNot: TESTS },
      to: { path: roomsAbove(name), ...(name === "job" ? { pathNot: TICKETS } : {}) },
    })),
    {
      name: "tickets-stand-below-the-job",
      severity: "error",
      from: { path: TICKETS },
      to: {
        path: `^packages/core/src/(job|${ROOMS.slice(0, ROOMS.indexOf("job")).join("|")})/`,
        pathNot: TICKETS,
      },
    },
    {
      name: "packages-stand-below-apps",
      severity: "error",
      from: { path: "^packages", pathNot: TESTS },
      to: { path: "^(apps|devices|e2e|bench)" },
    },
    {
      name: "colour-and-ipp-know-no-painters",
      severity: "error",
      from: { path: "^packages/(colour|ipp)/src", pathNot: TESTS },
      to: { path: "^packages/painters" },
    },
    {
      name: "web-knows-the-contract-alone",
      comment: "What the server says to the browser stands in one file.",
      severity: "error",
      from: { path: "^apps/web/src" },
      to: { path: "^apps/(server|cli)", pathNot: "^apps/server/src/contract\\.ts$" },
    },
    {
      name: "server-knows-no-other-app",
      severity: "error",
      from: { path: "^apps/server/src" },
      to: { path: "^apps/(web|cli)" },
    },
    {
      name: "shell-knows-the-contract-alone",
      severity: "error",
      from: { path: "^apps/cli/src", pathNot: TESTS },
      to: { path: "^apps/(web|server)", pathNot: "^apps/server/src/contract\\.ts$" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "/dist/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.base.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "types", "default"] },
  },
};
