export { outputFiles, type OutputFile, type OutputNaming } from "./files.ts";
