import { MaxRectsPacker } from "maxrects-packer";
import { Packer, um, type PackQuestion } from "@wide-quilt/core";
import { CLASSES, EACH, instance, SIZES, type Instance } from "./instances.ts";
import { peakOf } from "./measure.ts";

const BUDGET = 1000;
const BAR = 1.06;

/**
 * Mixed sizes on the fewest sheets: 500 classic instances, pieces may turn, straight cuts only, a second each, against
 * the lower bound and the `maxrects-packer` package (which need not cut straight).
 */
export function benchPacking(): void {
  console.log(
    `mixed sizes on the fewest sheets, ${CLASSES * SIZES.length * EACH} instances of ten classes, ${BUDGET} ms each`,
  );
  const all = { ours: 0, bound: 0, theirs: 0 };
  let worse = 0;
  for (let kind = 1; kind <= CLASSES; kind++) {
    const sum = { ours: 0, bound: 0, theirs: 0 };
    for (const count of SIZES) {
      for (let number = 0; number < EACH; number++) {
        const one = instance(kind, count, number);
        const { sheets, bound } = ours(one);
        sum.ours += sheets;
        sum.bound += bound;
        sum.theirs += theirs(one);
      }
    }
    if (sum.ours > sum.theirs) worse++;
    for (const part of ["ours", "bound", "theirs"] as const) all[part] += sum[part];
    console.log(
      `  class ${String(kind).padStart(2)}  sheets ${sum.ours}, at least ${sum.bound}, maxrects-packer ${sum.theirs}, ours ÷ bound ${(sum.ours / sum.bound).toFixed(4)}`,
    );
  }
  const ratio = all.ours / all.bound;
  console.log(
    `  all  sheets ${all.ours}, at least ${all.bound}, maxrects-packer ${all.theirs} (peak ${peakOf(process.pid).toFixed(0)} MB)` +
      `\n  ratio ${ratio.toFixed(4)}, bar ${BAR}: ${ratio <= BAR ? "kept" : "NOT kept"}; worse than maxrects-packer in ${worse} classes, bar 0: ${worse === 0 ? "kept" : "NOT kept"}`,
  );
}

function ours({ side, pieces }: Instance): { sheets: number; bound: number } {
  const question: PackQuestion = {
    pieces: pieces.map(({ width, height }) => ({
      width: um(width),
      height: um(height),
      quantity: 1,
      mayTurn: true,
    })),
    papers: [{ width: um(side), height: um(side), price: 1 }],
    gap: um(0),
    cuts: "straight",
    aim: "sheets",
  };
  const end = performance.now() + BUDGET;
  const packer = new Packer(question);
  while (!packer.isProved && performance.now() < end) packer.improve();
  const { sheets, bound } = packer.best();
  return { sheets: sheets.length, bound: bound.sheets };
}

function theirs({ side, pieces }: Instance): number {
  const packer = new MaxRectsPacker(side, side, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  packer.addArray(pieces.map(({ width, height }) => ({ x: 0, y: 0, width, height, data: null })) as never);
  return packer.bins.length;
}
