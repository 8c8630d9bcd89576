export { price, type Price } from "./price.ts";
export { paperPrice } from "./paperPrice.ts";
