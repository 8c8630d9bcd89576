export { blockFor, fitGrid, type FitQuestion, type GridFit, type PieceTurn } from "./fit.ts";
export { mostOf, type Cuts, type Most, type MostPlace, type MostQuestion } from "./most.ts";
export { gridPlaces, holdsOf, type Holds } from "./holds.ts";
export { evenBorder, type EvenBorder } from "./evenBorder.ts";
export { mostByBounds } from "./bounds.ts";
export { placedBlock, type BlockPlace } from "./placedBlock.ts";
