/** The thread that shows what a sheet will look like printed: the colours go to the printer's profile and back. */
import wasm from "lcms-wasm/dist/lcms.wasm?url";
import { ColourEngine, softProof } from "@wide-quilt/colour";
import type { ProofingAnswer, ProofingTask } from "./proofing.ts";

const engine = ColourEngine.start(wasm);
let decoded: { address: string; pixels: Uint8ClampedArray; width: number; height: number } | null = null;

addEventListener("message", ({ data }: MessageEvent<ProofingTask>) => {
  void prove(data).then(
    (shown) => postMessage(shown satisfies ProofingAnswer),
    (error: unknown) =>
      postMessage({
        failed: error instanceof Error ? error.message : String(error),
      } satisfies ProofingAnswer),
  );
});

async function prove({ picture, printer, wide, screen, setup }: ProofingTask) {
  const own = await engine;
  const { pixels, width, height } = await pixelsOf(picture);
  const open = async (address: string) => own.open(address, await bytesOf(address));
  const profiles = { from: await open(wide), printer: await open(printer), screen: await open(screen) };
  const proof = softProof(own, pixels, profiles, setup);
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext("2d")!.putImageData(new ImageData(proof.pixels, width, height), 0, 0);
  return { picture: await canvas.convertToBlob(), outside: proof.outside };
}

const bytesOf = async (address: string): Promise<Uint8Array> => {
  const response = await fetch(address);
  if (!response.ok) throw new Error("The profile is not here any more. Choose another.");
  return new Uint8Array(await response.arrayBuffer());
};

/** The numbers that stand in the file, whatever profile it has: they are what is converted. */
async function pixelsOf(address: string) {
  if (decoded?.address === address) return decoded;
  const blob = await (await fetch(address)).blob();
  const bitmap = await createImageBitmap(blob, { colorSpaceConversion: "none" });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  decoded = { address, pixels: context.getImageData(0, 0, width, height).data, width, height };
  return decoded;
}
