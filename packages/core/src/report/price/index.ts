export { price, type Price } from "./price.ts";
export { inkOfPieces, inkOfSheet, inkOnPieces, type InkPrice } from "./ink.ts";
