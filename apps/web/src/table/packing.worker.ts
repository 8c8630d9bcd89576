import { Packer, packQuickly } from "@wide-quilt/core";
import type { PackingAnswer, PackingTask } from "./packing.ts";

const say = (answer: PackingAnswer) => postMessage(answer);

onmessage = ({ data: { question, budget } }: MessageEvent<PackingTask>) => {
  const shown = packQuickly(question);
  const worth = ({ sheets, price }: typeof shown) =>
    question.aim === "price" ? price : sheets.length + price * 1e-9;
  let best = worth(shown);
  const packer = new Packer(question);
  const end = performance.now() + budget;
  while (!packer.isProved && performance.now() < end) {
    if (!packer.improve()) continue;
    const packing = packer.best();
    if (worth(packing) >= best) continue;
    best = worth(packing);
    say({ packing, done: false });
  }
  say({ packing: null, done: true });
};
