/** The package has types for its plain build alone. */
declare module "libheif-js/wasm-bundle";
