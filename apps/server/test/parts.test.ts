import { describe, expect, it } from "vitest";
import { readOptions } from "../src/options.ts";
import { Together } from "../src/photos/together.ts";
import { Turns } from "../src/processes/turns.ts";
import { attachment } from "../src/web/attachment.ts";

describe("turns", () => {
  /** Lets what is waiting go on. */
  const soon = () => new Promise((go) => setImmediate(go));

  it("are shared so that a small piece of work goes between the parts of a large one", async () => {
    const turns = new Turns(1);
    const order: string[] = [];
    const work = async (who: string, parts: number) => {
      for (let part = 1; part <= parts; part++) {
        await turns.next(who);
        order.push(`${who}${part}`);
        await soon();
      }
      turns.leave(who);
    };
    const large = work("a", 8);
    await soon();
    await soon();
    await Promise.all([large, work("b", 2)]);
    // Whoever comes is next at once, and then they take turns.
    expect(order.indexOf("b1")).toBeLessThanOrEqual(4);
    expect(order.indexOf("b2") - order.indexOf("b1")).toBeLessThanOrEqual(2);
    expect(order.filter((one) => one.startsWith("a"))).toEqual([
      "a1",
      "a2",
      "a3",
      "a4",
      "a5",
      "a6",
      "a7",
      "a8",
    ]);
  });

  it("are never more at a time than there are places, and end with whoever leaves", async () => {
    const turns = new Turns(2);
    let had = 0;
    for (const who of ["a", "b", "c"]) void turns.next(who).then(() => had++);
    await soon();
    expect(had).toBe(2);
    turns.leave("a");
    await soon();
    expect(had).toBe(3);
  });
});

describe("rows that come together", () => {
  it("are written together, and each promise is kept only then", async () => {
    const written: number[][] = [];
    const together = new Together<number>((rows) => written.push(rows));
    await Promise.all([together.add(1), together.add(2)]);
    await together.add(3);
    expect(written).toEqual([[1, 2], [3]]);
    const failing = new Together<number>(() => {
      throw new Error("full");
    });
    await expect(failing.add(1)).rejects.toThrow("full");
  });
});

describe("options", () => {
  it("listens on loopback with the demo in a folder of its own, unless told otherwise", () => {
    expect(readOptions([])).toMatchObject({ port: 4177, host: "127.0.0.1", demo: true, key: null });
    expect(readOptions([]).data).not.toBe(readOptions(["--empty"]).data);
    expect(readOptions(["--data", "/tmp/x", "--port", "0", "--empty"])).toMatchObject({
      data: "/tmp/x",
      port: 0,
      demo: false,
    });
  });

  it.each([
    [["--port", "many"], /not a whole number from 0 to 65535/],
    [["--port", "70000"], /not a whole number/],
    [["--host", "0.0.0.0"], /needs --key/],
    [["--host", "0.0.0.0", "--key", "short"], /at least 8 characters/],
    [["--colour"], /--colour/],
    [["extra"], /extra/],
  ])("refuses %j with a sentence and the usage", (args, why) => {
    expect(() => readOptions(args)).toThrow(why);
    expect(() => readOptions(args)).toThrow(/Usage: npm start/);
  });
});

it("names downloads in any script (RFC 8187), and safely for those who read only ASCII", () => {
  expect(attachment("Möwe “3”.jpg")).toBe(
    "attachment; filename=\"M_we _3_.jpg\"; filename*=UTF-8''M%C3%B6we%20%E2%80%9C3%E2%80%9D.jpg",
  );
  expect(attachment('a"b\\c.pdf')).toContain('filename="a_b_c.pdf"');
});
