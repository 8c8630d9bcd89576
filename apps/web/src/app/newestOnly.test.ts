import { beforeEach, describe, expect, it } from "vitest";
import { newestOnly } from "./newestOnly.ts";

/** A thread that answers when it is told to. */
class Thread extends EventTarget {
  readonly asked: number[] = [];

  postMessage(task: number): void {
    this.asked.push(task);
  }

  answer(data: string): void {
    this.dispatchEvent(new MessageEvent("message", { data }));
  }
}

let threads: Thread[];
let ask: (task: number) => Promise<string>;
const answers: string[] = [];
const later = (task: number) => void ask(task).then((answer) => answers.push(answer));

beforeEach(() => {
  threads = [];
  answers.length = 0;
  ask = newestOnly(() => {
    threads.push(new Thread());
    return threads.at(-1) as unknown as Worker;
  });
});

describe("a thread that is asked", () => {
  it("is started with the first question, and only once", async () => {
    expect(threads).toHaveLength(0);
    const first = ask(1);
    threads[0]!.answer("one");
    expect(await first).toBe("one");
    const second = ask(2);
    threads[0]!.answer("two");
    expect(await second).toBe("two");
    expect(threads).toHaveLength(1);
  });

  it("hears only the newest of the questions that came while it worked; the others are never answered", async () => {
    for (const task of [1, 2, 3, 4]) later(task);
    expect(threads[0]!.asked).toEqual([1]);
    threads[0]!.answer("of 1");
    expect(threads[0]!.asked).toEqual([1, 4]);
    threads[0]!.answer("of 4");
    await Promise.resolve();
    expect(answers).toEqual(["of 1", "of 4"]);
    expect(threads[0]!.asked).toEqual([1, 4]);
  });
});
