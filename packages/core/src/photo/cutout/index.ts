export { bytesOf, deltaE2000, labOf, type Lab } from "./colour.ts";
export { personIn } from "./personIn.ts";
export { evenness, type Evenness } from "./evenness.ts";
export { placesOf, resized, type Pixels, type Plane } from "./picture.ts";
export { fillAt, replaceBackground, type Behind } from "./replace.ts";
export { soften } from "./soften.ts";
