export { facingIn, imposed, toWrite } from "./impose.ts";
export { imposedPages, placesFor, type Imposed, type Slot as PageSlot } from "./slots.ts";
export type { Impose } from "./schema.ts";
