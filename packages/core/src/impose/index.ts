export { madeNow, sheetCalled } from "./making.ts";
export { facingIn, imposed, toWrite } from "./impose.ts";
export { cutsApart, type CutsApart } from "./cutsApart.ts";
export { corrected, isTrue } from "./correct.ts";
export { forPrinter } from "./forPrinter.ts";
