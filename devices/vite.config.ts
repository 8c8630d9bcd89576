export { default } from "../vite.node.ts";
