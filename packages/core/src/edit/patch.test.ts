import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { diff, inverse, joinedPatch, meets, patched, PatchFault } from "./patch.ts";

const photo = (id: string) => ({ id, name: `${id}.jpg` });

describe("a patch", () => {
  it("holds no more than what changed", () => {
    const before = { ticket: { gap: 2000, copies: 8 }, stash: [photo("a"), photo("b"), photo("c")] };
    expect(diff(before, { ...before, ticket: { gap: 3000, copies: 8 } })).toEqual([
      { at: ["ticket", "gap"], from: 2000, to: 3000 },
    ]);
    expect(diff(before, { ...before, stash: [photo("a"), { ...photo("b"), stars: 3 }, photo("c")] })).toEqual(
      [{ at: ["stash", 1, "stars"], to: 3 }],
    );
    expect(diff(before, { ...before, stash: [photo("a"), photo("c")] })).toEqual([
      { at: ["stash"], start: 1, out: [photo("b")], in: [] },
    ]);
    expect(diff(before, { ...before, stash: [photo("c"), photo("a"), photo("b")] })).toEqual([
      { at: ["stash"], move: [2, 0] },
    ]);
    expect(diff(before, structuredClone(before))).toEqual([]);
  });

  it("leaves everything that it does not change as the same object", () => {
    const before = { ticket: { gap: 1 }, stash: [photo("a"), photo("b")] };
    const after = patched(before, [{ at: ["stash", 0, "name"], from: "a.jpg", to: "z.jpg" }]);
    expect(after.ticket).toBe(before.ticket);
    expect(after.stash[1]).toBe(before.stash[1]);
    expect(after.stash[0]).toEqual({ id: "a", name: "z.jpg" });
  });

  it("is refused by a value that is another where it changes something", () => {
    const set = [{ at: ["gap"], from: 1, to: 2 }];
    expect(() => patched({ gap: 3 }, set)).toThrow(PatchFault);
    expect(() => patched({}, set)).toThrow(PatchFault);
    expect(() => patched({ list: [1] }, [{ at: ["list"], move: [0, 4] }])).toThrow(PatchFault);
    expect(() => patched({ list: [1, 2] }, [{ at: ["list"], start: 0, out: [2], in: [] }])).toThrow(
      PatchFault,
    );
  });

  it("takes a name for a name, whatever it means elsewhere", () => {
    const before = JSON.parse('{"shots":{}}') as object;
    const after = JSON.parse('{"shots":{"__proto__":{"a":1},"constructor":2}}') as object;
    const there = patched(before, diff(before, after));
    expect(JSON.stringify(there)).toBe(JSON.stringify(after));
    expect(JSON.stringify(patched(there, diff(there, before)))).toBe(JSON.stringify(before));
  });
});

describe("two patches", () => {
  const gap = [{ at: ["ticket", "gap"], from: 1, to: 2 }];
  const ppi = [{ at: ["sheet", "ppi"], from: 300, to: 600 }];
  const star = [{ at: ["stash", 5, "stars"], to: 3 }];

  it("meet where one changes what the other changes or builds on", () => {
    expect(meets(gap, ppi)).toBe(false);
    expect(meets(gap, [{ at: ["ticket"], from: {}, to: {} }])).toBe(true);
    expect(meets(star, [{ at: ["stash"], start: 9, out: [], in: [1] }])).toBe(false);
    expect(meets(star, [{ at: ["stash"], start: 2, out: [], in: [1] }])).toBe(true);
    expect(meets(star, [{ at: ["stash"], move: [6, 9] }])).toBe(false);
    expect(meets([{ at: ["stash"], move: [0, 5] }], star)).toBe(true);
  });

  it("of one figure are one, and none where it is as it was", () => {
    const on = [{ at: ["ticket", "gap"], from: 2, to: 3 }];
    expect(joinedPatch(gap, on)).toEqual([{ at: ["ticket", "gap"], from: 1, to: 3 }]);
    expect(joinedPatch(gap, inverse(gap))).toEqual([]);
    expect(joinedPatch(gap, ppi)).toEqual([...gap, ...ppi]);
  });
});

describe("of any plain data", () => {
  const data = fc.letrec((tie) => ({
    value: fc.oneof(
      { maxDepth: 4 },
      fc.integer({ min: 0, max: 4 }),
      fc.constant(null),
      fc.array(tie("value"), { maxLength: 5 }),
      fc.dictionary(fc.constantFrom("a", "b", "c", "__proto__", "to"), tie("value"), { maxKeys: 4 }),
    ),
  })).value;
  const root = fc.dictionary(fc.constantFrom("a", "b", "c", "from"), data, { maxKeys: 4 });

  it("a patch leads there and back", () =>
    fc.assert(
      fc.property(root, root, (before, after) => {
        const patch = JSON.parse(JSON.stringify(diff(before, after))) as ReturnType<typeof diff>;
        expect(patched(before, patch)).toEqual(after);
        expect(patched(after, inverse(patch))).toEqual(before);
      }),
      { numRuns: 3000 },
    ));

  it("patches joined lead from the first to the last", () =>
    fc.assert(
      fc.property(root, root, root, (a, b, c) => {
        const joined = joinedPatch(diff(a, b), diff(b, c));
        expect(patched(a, joined)).toEqual(c);
        expect(patched(c, inverse(joined))).toEqual(a);
      }),
      { numRuns: 3000 },
    ));

  it("one that does not meet another can be taken back under it", () =>
    fc.assert(
      fc.property(root, root, root, (a, b, c) => {
        const [first, second] = [diff(a, b), diff(b, c)];
        if (meets(first, second)) return;
        const without = patched(c, inverse(first));
        expect(patched(without, first)).toEqual(c);
      }),
      { numRuns: 3000 },
    ));
});
