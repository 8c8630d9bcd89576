import type { Kind } from "@wide-quilt/core";
import type { ComponentType } from "react";
import * as artwork from "./artwork/index.ts";
import * as calendar from "./calendar/index.ts";
import * as collage from "./collage/index.ts";
import * as contact from "./contact/index.ts";
import * as copies from "./copies/index.ts";
import * as free from "./free/index.ts";
import * as mixed from "./mixed/index.ts";
import * as mural from "./mural/index.ts";
import * as portraits from "./portraits/index.ts";
import * as ruler from "./ruler/index.ts";
import * as single from "./single/index.ts";
import * as strips from "./strips/index.ts";

/** A small drawing of the sheet that each kind of job makes. */
export const PICTURES: Readonly<Record<Kind, ComponentType>> = {
  artwork: artwork.Picture,
  calendar: calendar.Picture,
  collage: collage.Picture,
  contact: contact.Picture,
  copies: copies.Picture,
  free: free.Picture,
  mixed: mixed.Picture,
  mural: mural.Picture,
  portraits: portraits.Picture,
  ruler: ruler.Picture,
  single: single.Picture,
  strips: strips.Picture,
};

/** The panels of controls that only one kind’s ticket has. */
export const KIND_PANELS = {
  ...artwork.panels,
  ...calendar.panels,
  ...collage.panels,
  ...contact.panels,
  ...copies.panels,
  ...mixed.panels,
  ...mural.panels,
  ...portraits.panels,
  ...single.panels,
  ...strips.panels,
};
