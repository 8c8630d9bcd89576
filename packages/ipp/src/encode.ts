import { GROUPS, TAGS, type Attributes, type Message, type Value } from "./message.ts";

const END_OF_ATTRIBUTES = 3;

const u16 = (value: number): Buffer => {
  const bytes = Buffer.alloc(2);
  bytes.writeUInt16BE(value);
  return bytes;
};
const i32 = (value: number): Buffer => {
  const bytes = Buffer.alloc(4);
  bytes.writeInt32BE(value);
  return bytes;
};

/** A message as bytes (RFC 8010, 3.1); what it is about, a document, follows behind. */
export function encode({ version, code, requestId, groups }: Message): Buffer {
  return Buffer.concat([
    Buffer.from(version),
    u16(code),
    i32(requestId),
    ...groups.flatMap(({ of, attributes }) => [Buffer.from([GROUPS[of]]), ...fields(attributes)]),
    Buffer.from([END_OF_ATTRIBUTES]),
  ]);
}

/** An attribute with several values has its name at the first alone (RFC 8010, 3.1.5). */
const fields = (attributes: Attributes): Buffer[] =>
  Object.entries(attributes).flatMap(([name, values]) =>
    values.map((value, i) => field(i === 0 ? name : "", value)),
  );

function field(name: string, value: Value): Buffer {
  const called = Buffer.from(name);
  const head = [Buffer.from([TAGS[value.as]]), u16(called.length), called];
  if (value.as !== "collection") {
    const data = bytesOf(value);
    return Buffer.concat([...head, u16(data.length), data]);
  }
  // A collection is its members between two marks, each by a name of its own (RFC 8010, 3.1.6).
  const members = Object.entries(value.value).flatMap(([member, values]) => [
    tagged(TAGS.member, Buffer.from(member)),
    ...values.map((one) => field("", one)),
  ]);
  return Buffer.concat([...head, u16(0), ...members, tagged(TAGS.endCollection, Buffer.alloc(0))]);
}

const tagged = (tag: number, data: Buffer): Buffer =>
  Buffer.concat([Buffer.from([tag]), u16(0), u16(data.length), data]);

/** Syntaxes as bytes (RFC 8010, 3.9). */
function bytesOf(value: Exclude<Value, { as: "collection" }>): Buffer {
  switch (value.as) {
    case "no-value":
      return Buffer.alloc(0);
    case "integer":
    case "enum":
      return i32(value.value);
    case "boolean":
      return Buffer.from([value.value ? 1 : 0]);
    case "octets":
      return Buffer.from(value.value);
    case "dateTime":
      return dateBytes(value.value);
    case "resolution": {
      const { across, down, unit } = value.value;
      return Buffer.concat([i32(across), i32(down), Buffer.from([unit === "dpi" ? 3 : 4])]);
    }
    case "range":
      return Buffer.concat([i32(value.value.from), i32(value.value.to)]);
    default:
      return Buffer.from(value.value);
  }
}

/** DateAndTime of RFC 2579, in UTC. */
const dateBytes = (date: Date): Buffer =>
  Buffer.concat([
    u16(date.getUTCFullYear()),
    Buffer.from([
      date.getUTCMonth() + 1,
      date.getUTCDate(),
      date.getUTCHours(),
      date.getUTCMinutes(),
      date.getUTCSeconds(),
      Math.floor(date.getUTCMilliseconds() / 100),
      0x2b,
      0,
      0,
    ]),
  ]);
