export {
  imposedPages,
  placesFor,
  tilingsOf,
  tilingsOfPage,
  waysOf,
  type Imposed,
  type Slot as PageSlot,
} from "./slots.ts";
export { imposeSchema, type Impose } from "./schema.ts";
export { EACH_ITS_SHEET } from "./usual.ts";
