export { spreadOnPapers, type OnPaper } from "./papers.ts";
