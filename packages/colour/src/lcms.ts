// @ts-expect-error -- the package comes without types
import { instantiate as start } from "lcms-wasm";

/** LittleCMS 2.16 as it is compiled: C functions by their names, handles are numbers, 0 is a failure. */
export interface Lcms {
  HEAPU8: Uint8Array;
  _malloc(bytes: number): number;
  _free(pointer: number): void;
  _cmsOpenProfileFromMem(pointer: number, bytes: number): number;
  cmsCloseProfile(profile: number): void;
  cmsCreateLab4Profile(white: null): number;
  cmsGetColorSpaceASCII(profile: number): string | null;
  cmsFormatterForColorspaceOfProfile(profile: number, bytes: number, float: boolean | number): number;
  cmsCreateTransform(
    from: number,
    fromFormat: number,
    to: number,
    toFormat: number,
    intent: number,
    flags: number,
  ): number;
  cmsDeleteTransform(transform: number): void;
  cmsDoTransform<T>(transform: number, pixels: ArrayLike<number>, count: number): T;
}

/** Starts LittleCMS; `locateFile` says where its code lies. */
export const instantiate = start as (options?: { locateFile?(name: string): string }) => Promise<Lcms>;
