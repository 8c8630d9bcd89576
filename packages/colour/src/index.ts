/**
 * Colour: reading and writing ICC profiles, and converting between them. No files, no DOM: the server's threads and
 * the browser's workers run this same code.
 *
 *     bytes of profiles ─▶ ColourEngine (LittleCMS as WebAssembly) ─▶ Conversion ─▶ pixels
 */
export { BUILT_IN, builtInProfile, type BuiltIn } from "./builtIn.ts";
export { ColourEngine, type ConversionSetup, type OpenedProfile } from "./engine.ts";
export { BadProfile, readProfile, type ProfileFacts } from "./icc/read.ts";
export { lutTag, type Lut } from "./icc/tags.ts";
export { writeProfile, type ProfileParts } from "./icc/write.ts";
export { readUsableProfile } from "./usable.ts";
export { softProof, type SoftProof, type SoftProofSetup } from "./proof.ts";
export { type Conversion, atDepth, type Samples } from "./samples.ts";
