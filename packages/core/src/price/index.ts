export { price, type Price } from "./price.ts";
