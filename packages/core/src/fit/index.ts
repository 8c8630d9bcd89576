export { blockFor, fitGrid, type FitQuestion, type GridFit, type PieceTurn } from "./fit.ts";
