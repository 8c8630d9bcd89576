export * from "./sight.ts";
export * from "./turn.ts";
export { cameraWord, type CameraWord } from "./word.ts";
