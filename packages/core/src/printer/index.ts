export { PRINTERS, type Printer } from "./printers.ts";
