import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyEdit, freshJob, mm, type Job, type JobEdit } from "@wide-quilt/core";
import { deltaOf, isEmpty, joined } from "../src/jobs/delta.ts";
import { readOptions } from "../src/options.ts";
import { Queue } from "../src/photos/queue.ts";
import { attachment } from "../src/web/attachment.ts";

const anyEdit = fc.oneof<fc.Arbitrary<JobEdit>[]>(
  fc.integer({ min: 0, max: 50 }).map((n) => ({ do: "ticket", change: { gap: mm(n) } })),
  fc.integer({ min: 36, max: 900 }).map((ppi) => ({ do: "sheet", change: { ppi } })),
  fc.constantFrom("a", "b").map((name) => ({ do: "rename", name })),
  fc.constantFrom("a", "b").map((id) => ({ do: "add photos", photos: [{ id, name: `${id}.jpg` }] })),
);

describe("deltas", () => {
  it("keep only the parts that a step changed", () => {
    const job = freshJob("copies", "Badges");
    const { before, after } = deltaOf(job, applyEdit(job, { do: "ticket", change: { gap: mm(9) } }));
    expect(Object.keys(after)).toEqual(["ticket"]);
    expect([before.ticket!.gap, after.ticket!.gap]).toEqual([2000, 9000]);
    expect(isEmpty(deltaOf(job, structuredClone(job)))).toBe(true);
  });

  it("undone, give the job before; made again, the job after; joined, both at once", () => {
    fc.assert(
      fc.property(anyEdit, anyEdit, (one, two) => {
        const start: Job = freshJob("copies", "Badges");
        const middle = applyEdit(start, one);
        const end = applyEdit(middle, two);
        const both = joined(deltaOf(start, middle), deltaOf(middle, end));
        expect({ ...end, ...both.before }).toEqual(start);
        expect({ ...start, ...both.after }).toEqual(end);
      }),
    );
  });
});

describe("queue", () => {
  it("runs no more at once than it may, in the order they came, and goes on after a failure", async () => {
    const queue = new Queue(2);
    const started: number[] = [];
    let running = 0;
    let most = 0;
    const results = await Promise.allSettled(
      Array.from({ length: 9 }, (_, i) =>
        queue.run(async () => {
          started.push(i);
          most = Math.max(most, ++running);
          await new Promise((go) => setImmediate(go));
          running--;
          if (i === 3) throw new Error("this one fails");
          return i;
        }),
      ),
    );
    expect(most).toBe(2);
    expect(started).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(results.map(({ status }) => status)).toEqual(
      Array.from({ length: 9 }, (_, i) => (i === 3 ? "rejected" : "fulfilled")),
    );
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
