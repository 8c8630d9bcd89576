/** Marram Spit Bird Observatory, a made-up field station: its photos, rendered here, and its jobs. */
export { DEMO_PHOTOS, type DemoPhoto } from "./photos.ts";
export { CARD, CARD_WINDOWS, cardArtwork, cardPng, type CutWindow } from "./artwork.ts";
export { BOOTH_PICTURES } from "./portrait/booth.ts";
export { documentPhoto, type Flaws } from "./portrait/document.ts";
export { COMING_NEARER, film, FILM_PACE, readSlate, stretchOf, type Stretch } from "./portrait/film.ts";
export { group, headsIn, type Standing } from "./portrait/group.ts";
export { sitter } from "./portrait/sitters.ts";
export { headOf } from "./portrait/head.ts";
export { GUESTS, RINGERS, type Doing, type Person } from "./portrait/person.ts";
export { CLOSE, portrait, ROOMY, silhouette, type Frame } from "./portrait/portrait.ts";
export { demoPrinters } from "./printer/printers.ts";
export { demoProfiles } from "./printer/profiles.ts";
export { renderPhoto } from "./render.ts";
export { DEMO_SOURCES, demoCalendar, TIDES_ICS } from "./calendar.ts";
export { DEMO_PATTERNS, demoJobs, type DemoCard } from "./jobs.ts";
