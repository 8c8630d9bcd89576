import { SaxesParser, type SaxesTagPlain } from "saxes";
import { BadPhoto } from "../photo/badPhoto.ts";
import { escaped } from "../svg/marks.ts";

/** What is read of an SVG. Far more than drawings for print have; what is beyond is refused with these figures. */
export const SVG_LIMITS = { elements: 200_000, depth: 200, copies: 300_000 } as const;

/** An SVG of which only what can be drawn is left. */
export interface BareSvg {
  svg: string;
  /** What was left out, in sentences. */
  said: string[];
}

const SAID = {
  script: "A script in it was left out.",
  outside: "Links to pictures or styles from elsewhere were left out: nothing outside the file is loaded.",
  page: "Web page parts in it were left out.",
  movement: "Movements in it were left out.",
  words: "Words in it are set in a font that ships with Wide Quilt, as shapes.",
} as const;

/** Elements that are left out with everything in them, and how that is said. */
const LEFT_OUT: Readonly<Record<string, keyof typeof SAID>> = {
  script: "script",
  foreignObject: "page",
  iframe: "page",
  animate: "movement",
  animateColor: "movement",
  animateMotion: "movement",
  animateTransform: "movement",
  set: "movement",
};

/** Whether an address leads to something inside the file. */
const isInside = (address: string): boolean => {
  const bare = address.trim();
  return bare === "" || bare.startsWith("#") || bare.startsWith("data:image/");
};

/** Whether a style or an attribute asks for something outside the file. */
function asksOutside(style: string): boolean {
  const small = style.toLowerCase();
  if (small.includes("@import")) return true;
  for (let at = small.indexOf("url("); at >= 0; at = small.indexOf("url(", at + 4)) {
    const end = small.indexOf(")", at);
    const address = small.slice(at + 4, end < 0 ? undefined : end).trim();
    const plain = address.startsWith('"') || address.startsWith("'") ? address.slice(1) : address;
    if (!isInside(plain)) return true;
  }
  return false;
}

const localName = (name: string): string => name.slice(name.indexOf(":") + 1);

/**
 * Reads an SVG with a parser of XML and writes anew what of it can be drawn: no scripts, no declarations, nothing from
 * outside the file. Throws BadPhoto for what is no XML, and for what is beyond the limits.
 */
export function bareSvg(text: string): BareSvg {
  const said = new Set<keyof typeof SAID>();
  const out: string[] = [];
  const copies = new Copies();
  let depth = 0;
  let elements = 0;
  /** The depth of the element that is left out; 0 while nothing is. */
  let leftOut = 0;
  let inStyle = false;
  let style = "";
  const parser = new SaxesParser();
  parser.on("error", (error) => {
    // What the parser says begins with the line.
    throw new BadPhoto(
      `The SVG cannot be read (${error.message.slice(0, 120)}). Save it again as a plain SVG.`,
    );
  });
  parser.on("opentag", (tag: SaxesTagPlain) => {
    depth++;
    if (++elements > SVG_LIMITS.elements || depth > SVG_LIMITS.depth) throw tooMuch();
    const name = localName(tag.name);
    copies.open(tag.attributes.id, name === "use" ? referred(tag.attributes) : null);
    const why = Object.hasOwn(LEFT_OUT, name) ? LEFT_OUT[name] : undefined;
    if (why) said.add(why);
    if (leftOut > 0) return;
    if (why) {
      leftOut = depth;
      return;
    }
    if (name === "text") said.add("words");
    inStyle = name === "style";
    style = "";
    out.push(`<${tag.name}${Object.entries(tag.attributes).map(kept).join("")}>`);
  });
  const kept = ([name, value]: [string, string]): string => {
    const local = localName(name);
    if (/^on[a-z]/i.test(local)) {
      said.add("script");
      return "";
    }
    const leadsOut =
      local === "href" || local === "src"
        ? !isInside(value)
        : !name.startsWith("xmlns") && asksOutside(value);
    if (leadsOut) {
      said.add("outside");
      return "";
    }
    return ` ${name}="${attribute(value)}"`;
  };
  const words = (text: string) => {
    if (leftOut > 0) return;
    if (inStyle) style += text;
    else out.push(escaped(text));
  };
  parser.on("text", words);
  parser.on("cdata", words);
  parser.on("closetag", (tag) => {
    copies.close();
    if (leftOut === 0) {
      if (inStyle && asksOutside(style)) said.add("outside");
      else if (inStyle) out.push(escaped(style));
      inStyle = false;
      out.push(`</${tag.name}>`);
    } else if (leftOut === depth) leftOut = 0;
    depth--;
  });
  parser.write(text).close();
  if (copies.most() > SVG_LIMITS.copies) throw tooMuch();
  return { svg: out.join(""), said: [...said].map((what) => SAID[what]) };
}

const attribute = (value: string): string =>
  escaped(value).replaceAll("\n", "&#10;").replaceAll("\t", "&#9;").replaceAll("\r", "&#13;");

const tooMuch = () =>
  new BadPhoto(
    "The SVG is too involved: it has more than can be drawn in reasonable time. Save it simpler, or as a PNG.",
  );

const referred = (attributes: Record<string, string>): string | null => {
  const href = attributes.href ?? attributes["xlink:href"] ?? "";
  return href.startsWith("#") ? href.slice(1) : null;
};

/** Counts how many elements a drawing has once every copy that it asks for (“use”) is made. */
class Copies {
  private readonly all: { own: number; uses: string[] } = { own: 0, uses: [] };
  private readonly named = new Map<string, { own: number; uses: string[] }>();
  private readonly open_: { own: number; uses: string[] }[] = [this.all];

  open(id: string | undefined, uses: string | null): void {
    const inside = id === undefined || this.named.has(id) ? null : { own: 0, uses: [] };
    if (inside) this.named.set(id!, inside);
    this.open_.push(inside ?? this.open_.at(-1)!);
    // An element counts for everything with a name that it lies in.
    for (const around of new Set(this.open_)) {
      around.own++;
      if (uses !== null) around.uses.push(uses);
    }
  }

  close(): void {
    this.open_.pop();
  }

  most(): number {
    const counted = new Map<string, number>();
    const count = ({ own, uses }: { own: number; uses: string[] }): number =>
      uses.reduce((sum, id) => Math.min(sum + of(id), Number.MAX_SAFE_INTEGER), own);
    const of = (id: string): number => {
      const known = counted.get(id);
      if (known !== undefined) return known;
      // One that refers to itself is drawn by nobody.
      counted.set(id, 0);
      const inside = this.named.get(id);
      const sum = inside ? count(inside) : 0;
      counted.set(id, sum);
      return sum;
    };
    return count(this.all);
  }
}
