import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { alone, report, type Measured } from "./measure.ts";

const ROUNDS = 5;
const [WIDTH, HEIGHT] = [12_000, 18_000];

/** One photo as 12 000 × 18 000 px over 6 × 6 sheets, of 24 megapixels and of 216, beside a bare script that decodes it once. */
export async function benchMural([photo]: readonly string[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "wide-quilt-bench-"));
  const large = join(dirname(photo!), "large.jpg");
  if (!existsSync(large)) {
    console.log(`  making ${large}`);
    await sharp(photo).rotate(90).resize(WIDTH, HEIGHT).jpeg({ quality: 90 }).toFile(large);
  }
  const upright = join(dirname(photo!), "upright.jpg");
  if (!existsSync(upright)) await sharp(photo).rotate(90).jpeg({ quality: 90 }).toFile(upright);
  const sources: [name: string, path: string, ...size: string[]][] = [
    ["24", upright, "4000", "6000"],
    ["216", large, String(WIDTH), String(HEIGHT)],
  ];
  for (const [name, path, ...size] of sources) {
    const ours: Measured[] = [];
    const theirs: Measured[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      theirs.push(await alone("bare-mural", folder, path));
      ours.push(await alone("our-mural", folder, path, ...size));
    }
    report(
      `36 sheets of 2000 × 3000 px of ${name} megapixels (memory at most 0.5 × theirs)`,
      ours,
      theirs,
      1.1,
    );
  }
}
