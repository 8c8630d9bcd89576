import {
  GROUPS,
  TAGS,
  type Attributes,
  type Group,
  type GroupName,
  type Message,
  type TextSyntax,
  type Value,
} from "./message.ts";

/** Bytes that are no message, or one that breaks off. */
export class NoMessage extends Error {
  override name = "NoMessage";
}

const GROUP_NAMES = new Map(Object.entries(GROUPS).map(([name, tag]) => [tag, name as GroupName]));
const SYNTAXES = new Map(Object.entries(TAGS).map(([name, tag]) => [tag as number, name]));
/** Texts and names with a language of their own: two lengths and two strings (RFC 8010, 3.9). */
const WITH_LANGUAGE: Record<number, "text" | "name"> = { 0x35: "text", 0x36: "name" };
/** Values that say why there is none (RFC 8010, 3.5.2). */
const OUT_OF_BAND = 0x1f;
const END_OF_ATTRIBUTES = 3;
/** Collections in collections: deeper than any standard has them. */
const DEEPEST = 12;

/** Reads a message and gives back what lies behind it, the document. Throws NoMessage. */
export function decode(bytes: Buffer): { message: Message; rest: Buffer } {
  const reader = new Reader(bytes);
  const version: [number, number] = [reader.u8(), reader.u8()];
  const [code, requestId] = [reader.u16(), reader.i32()];
  const groups: Group[] = [];
  for (let tag = reader.u8(); tag !== END_OF_ATTRIBUTES; tag = reader.u8()) {
    const of = GROUP_NAMES.get(tag);
    const attributes = readGroup(reader);
    // A group that is not known says nothing to us (RFC 8010, 3.5.1).
    if (of) groups.push({ of, attributes });
  }
  return { message: { version, code, requestId, groups }, rest: reader.rest() };
}

/** Values by names that a stranger chose: none of them means anything to the object itself, as “constructor” would. */
const named = (): Attributes => Object.create(null) as Attributes;

/** The fields up to the next group. */
function readGroup(reader: Reader): Attributes {
  const attributes = named();
  let last = "";
  while (reader.peek() > 0x0f) {
    const tag = reader.u8();
    const name = reader.string(reader.u16());
    if (name !== "") last = name;
    if (last === "") throw new NoMessage("A value has no name.");
    (attributes[last] ??= []).push(readValue(reader, tag, 0));
  }
  return attributes;
}

function readValue(reader: Reader, tag: number, depth: number): Value {
  const data = reader.take(reader.u16());
  if (tag === TAGS.collection) return { as: "collection", value: readMembers(reader, depth + 1) };
  if (tag <= OUT_OF_BAND) return { as: "no-value" };
  const withLanguage = WITH_LANGUAGE[tag];
  if (withLanguage) {
    const own = new Reader(data);
    own.take(own.u16());
    return { as: withLanguage, value: own.string(own.u16()) };
  }
  const as = SYNTAXES.get(tag);
  const own = new Reader(data);
  switch (as) {
    case "integer":
    case "enum":
      return { as, value: own.i32() };
    case "boolean":
      return { as, value: own.u8() !== 0 };
    case "dateTime":
      return { as, value: readDate(own) };
    case "resolution":
      return { as, value: { across: own.i32(), down: own.i32(), unit: own.u8() === 3 ? "dpi" : "dpcm" } };
    case "range":
      return { as, value: { from: own.i32(), to: own.i32() } };
    case undefined:
    case "octets":
    case "endCollection":
    case "member":
      return { as: "octets", value: data };
    default:
      return { as: as as TextSyntax, value: data.toString() };
  }
}

function readMembers(reader: Reader, depth: number): Attributes {
  if (depth > DEEPEST) throw new NoMessage("Its collections lie too deep.");
  const members = named();
  let last = "";
  for (;;) {
    const tag = reader.u8();
    reader.take(reader.u16());
    if (tag === TAGS.endCollection) {
      reader.take(reader.u16());
      return members;
    }
    if (tag === TAGS.member) last = reader.string(reader.u16());
    else if (last === "") throw new NoMessage("A member of a collection has no name.");
    else (members[last] ??= []).push(readValue(reader, tag, depth));
  }
}

function readDate(own: Reader): Date {
  const [year, month, day] = [own.u16(), own.u8(), own.u8()];
  const [hour, minute, second, tenth] = [own.u8(), own.u8(), own.u8(), own.u8()];
  const sign = own.u8() === 0x2d ? -1 : 1;
  const offset = sign * (own.u8() * 60 + own.u8());
  return new Date(Date.UTC(year, month - 1, day, hour, minute - offset, second, tenth * 100));
}

/** Reads on and on; what is not there any more is an error. */
class Reader {
  private at = 0;

  constructor(private readonly bytes: Buffer) {}

  take(length: number): Buffer {
    if (this.at + length > this.bytes.length) throw new NoMessage("The message breaks off.");
    return this.bytes.subarray(this.at, (this.at += length));
  }

  peek(): number {
    if (this.at >= this.bytes.length) throw new NoMessage("The message breaks off.");
    return this.bytes[this.at]!;
  }

  rest = (): Buffer => this.bytes.subarray(this.at);
  u8 = (): number => this.take(1)[0]!;
  u16 = (): number => this.take(2).readUInt16BE();
  i32 = (): number => this.take(4).readInt32BE();
  string = (length: number): string => this.take(length).toString();
}
