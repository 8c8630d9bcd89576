/** Marram Spit Bird Observatory, a made-up field station: its photos, rendered here, and its jobs. */
export { DEMO_PHOTOS, type DemoPhoto } from "./photos.ts";
export { headOf } from "./portrait/head.ts";
export { GUESTS, RINGERS, type Person } from "./portrait/person.ts";
export { CLOSE, portrait, ROOMY, silhouette, type Frame } from "./portrait/portrait.ts";
export { demoPrinters } from "./printer/printers.ts";
export { demoProfiles } from "./printer/profiles.ts";
export { renderPhoto } from "./render.ts";
export { DEMO_PATTERNS, demoJobs } from "./jobs.ts";
