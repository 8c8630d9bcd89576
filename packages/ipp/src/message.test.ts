import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  decode,
  encode,
  LANGUAGE,
  NoMessage,
  type Attributes,
  type GroupName,
  type Message,
  type Value,
} from "./index.ts";

/** A message with one value, in the bytes of RFC 8010, 3.1: version, operation, request, a group, a field, the end. */
const withField = (tag: string, name: string, data: Buffer): Buffer =>
  Buffer.concat([
    Buffer.from("0200000b0000000104", "hex"),
    Buffer.from(tag, "hex"),
    Buffer.from([0, name.length]),
    Buffer.from(name),
    Buffer.from([0, data.length]),
    data,
    Buffer.from([3]),
  ]);
const valueOf = (bytes: Buffer, name: string) => decode(bytes).message.groups[0]!.attributes[name]?.[0];

const int = fc.integer({ min: -(2 ** 31), max: 2 ** 31 - 1 });
const short = fc.string({ maxLength: 40, unit: "grapheme" });
const value = fc.letrec<{ value: Value; members: Attributes }>((tie) => ({
  value: fc.oneof(
    { depthSize: "small" },
    fc.record({ as: fc.constantFrom("integer" as const, "enum" as const), value: int }),
    fc.record({ as: fc.constant("boolean" as const), value: fc.boolean() }),
    fc.record({
      as: fc.constantFrom("text", "name", "keyword", "uri", "uriScheme", "charset", "language", "mimeType"),
      value: short,
    }) as fc.Arbitrary<Value>,
    fc.record({
      as: fc.constant("octets" as const),
      value: fc.uint8Array({ maxLength: 40 }).map((bytes) => Buffer.from(bytes)),
    }),
    fc.record({
      as: fc.constant("dateTime" as const),
      // Tenths of a second are the finest that is sent (RFC 2579).
      value: fc.integer({ min: 0, max: 4e10 }).map((tenths) => new Date(tenths * 100)),
    }),
    fc.record({
      as: fc.constant("resolution" as const),
      value: fc.record({ across: int, down: int, unit: fc.constantFrom("dpi" as const, "dpcm" as const) }),
    }),
    fc.record({ as: fc.constant("range" as const), value: fc.record({ from: int, to: int }) }),
    fc.constant({ as: "no-value" as const }),
    fc.record({ as: fc.constant("collection" as const), value: tie("members") }),
  ),
  members: fc.dictionary(short.filter(Boolean), fc.array(tie("value"), { minLength: 1, maxLength: 3 }), {
    maxKeys: 4,
    noNullPrototype: true,
  }),
}));
const message: fc.Arbitrary<Message> = fc.record({
  version: fc.constantFrom<[number, number]>([1, 1], [2, 0]),
  code: fc.integer({ min: 0, max: 0xffff }),
  requestId: int,
  groups: fc.array(
    fc.record({
      of: fc.constantFrom<GroupName>("operation", "job", "printer", "unsupported"),
      attributes: value.members,
    }),
    { maxLength: 4 },
  ),
});

describe("messages", () => {
  it("are the bytes that the standard shows: Print-Job of RFC 8010, A.1", () => {
    const printJob: Message = {
      version: [2, 0],
      code: 2,
      requestId: 1,
      groups: [
        {
          of: "operation",
          attributes: {
            ...LANGUAGE,
            "printer-uri": [{ as: "uri", value: "ipp://printer.example.com/ipp/print/pinetree" }],
          },
        },
        {
          of: "job",
          attributes: {
            copies: [{ as: "integer", value: 20 }],
            sides: [{ as: "keyword", value: "two-sided-long-edge" }],
          },
        },
      ],
    };
    const bytes = encode(printJob);
    expect(bytes.subarray(0, 9).toString("hex")).toBe("020000020000000101");
    // 0x21 integer, name of 6 letters, value of 4 bytes, 0x00000014.
    expect(bytes.includes(Buffer.from("210006636f70696573000400000014", "hex"))).toBe(true);
    expect(bytes.at(-1)).toBe(3);
    expect(decode(Buffer.concat([bytes, Buffer.from("%PDF")]))).toEqual({
      message: printJob,
      rest: Buffer.from("%PDF"),
    });
  });

  it("come out as they went in, whatever is said in them, with the document behind them", () => {
    fc.assert(
      fc.property(message, fc.uint8Array({ maxLength: 20 }), (one, document) => {
        const { message: read, rest } = decode(Buffer.concat([encode(one), document]));
        expect(read).toEqual(one);
        expect([...rest]).toEqual([...document]);
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it("may name values as they like, even as every object has something of its own", () => {
    const attributes = Object.fromEntries(
      ["constructor", "__proto__", "toString"].map((name): [string, Value[]] => [
        name,
        [{ as: "integer", value: 1 }],
      ]),
    );
    const read = decode(
      encode({ version: [2, 0], code: 0, requestId: 1, groups: [{ of: "printer", attributes }] }),
    ).message.groups[0]!.attributes;
    expect(Object.keys(read)).toEqual(["constructor", "__proto__", "toString"]);
  });

  it("have dates with the zone of who wrote them: the example of RFC 2579", () => {
    // “Tuesday May 26, 1992 at 1:30:15 PM EDT would be displayed as: 1992-5-26,13:30:15.0,-4:0”
    const data = Buffer.from([0x07, 0xc8, 5, 26, 13, 30, 15, 0, 0x2d, 4, 0]);
    expect(valueOf(withField("31", "time", data), "time")).toEqual({
      as: "dateTime",
      value: new Date("1992-05-26T17:30:15Z"),
    });
  });

  it("have texts in a language of their own: two lengths and two strings", () => {
    // RFC 8010, 3.9: textWithLanguage is 0x35.
    const data = Buffer.concat([
      Buffer.from([0, 2]),
      Buffer.from("de"),
      Buffer.from([0, 4]),
      Buffer.from("leer"),
    ]);
    expect(valueOf(withField("35", "why", data), "why")).toEqual({ as: "text", value: "leer" });
  });

  it("of a syntax that is not known keep its bytes", () => {
    expect(valueOf(withField("3f", "odd", Buffer.from([1, 2])), "odd")).toEqual({
      as: "octets",
      value: Buffer.from([1, 2]),
    });
  });
});

describe("bytes that are no message", () => {
  it("are told to be none, wherever one breaks off", () => {
    fc.assert(
      fc.property(message, fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }), (one, part) => {
        const bytes = encode(one);
        const cut = bytes.subarray(0, Math.floor(part * bytes.length));
        expect(() => decode(cut)).toThrow(NoMessage);
      }),
      { numRuns: 300, seed: 11 },
    );
  });

  it("are never anything worse, whatever they are", () => {
    const near = fc.tuple(message, fc.nat(), fc.nat(255)).map(([one, at, byte]) => {
      const bytes = encode(one);
      bytes[at % bytes.length] = byte;
      return bytes;
    });
    const any = fc.uint8Array({ maxLength: 200 }).map((bytes) => Buffer.from(bytes));
    fc.assert(
      fc.property(fc.oneof(near, any), (bytes) => {
        try {
          decode(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(NoMessage);
        }
      }),
      { numRuns: 2000, seed: 13 },
    );
  });

  it("are those whose collections never end, without the stack running out", () => {
    const opened = Buffer.concat([
      Buffer.from("0200000b0000000104", "hex"),
      Buffer.from("340001610000", "hex"),
      ...Array.from({ length: 10_000 }, () => Buffer.from("4a00000001613400000000", "hex")),
    ]);
    expect(() => decode(opened)).toThrow(NoMessage);
  });
});
