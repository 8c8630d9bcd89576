import type { PrinterCan } from "@wide-quilt/ipp";
import { describe, expect, it } from "vitest";
import { paperType, reasonsInWords } from "./printer.ts";

const waits = (...reasons: string[]) => reasonsInWords({ reasons } as PrinterCan);

describe("a printer in words", () => {
  it("names kinds of paper as a photographer does, and those of its maker as they are", () => {
    expect(paperType("photographic-glossy")).toBe("Photo paper, glossy");
    expect(paperType("com.maker-baryta_310")).toBe("com.maker baryta 310");
    expect(paperType("constructor")).toBe("constructor");
  });

  it("says why it waits, whatever suffix the reason has (RFC 8011, 5.4.12)", () => {
    expect(waits()).toBe("");
    expect(waits("media-empty-error")).toBe("out of paper");
    expect(waits("marker-supply-low-warning", "cover-open")).toBe("little ink left, it stands open");
    expect(waits("marker-supply-empty")).toBe("out of ink");
    expect(waits("fuser-over-temp")).toBe("fuser over temp");
  });
});
