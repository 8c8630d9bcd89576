/** Stand-ins for machines outside: they speak the open protocols that real ones speak, and keep what they made. */
export { SimulatedCamera, type CameraOptions } from "./camera/simulated.ts";
export { MODELS, type Model } from "./printer/models.ts";
export { SimulatedPrinter, type Fault } from "./printer/simulated.ts";
