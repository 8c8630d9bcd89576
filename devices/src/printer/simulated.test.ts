import { execFile, spawn } from "node:child_process";
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { promisify } from "node:util";
import { decode, encodeRaster, keyword, PrinterClient, PrinterFault, type Attributes } from "@wide-quilt/ipp";
import sharp, { type Sharp } from "sharp";
import { afterEach, beforeAll, describe, expect, it } from "vitest";
import { MODELS, SimulatedPrinter } from "../index.ts";

const SUITES = "/usr/share/cups/ipptool";
const run = promisify(execFile);
const folder = () => mkdtempSync(join(tmpdir(), "wide-quilt-devices-"));
let jpeg: Buffer;
let raster: Buffer;
const open: SimulatedPrinter[] = [];

beforeAll(async () => {
  // A page of 4 × 6 in with a green frame ten pixels wide along its edges.
  const inner = { create: { width: 1180, height: 1780, channels: 3, background: "#aa5522" } } as const;
  jpeg = await sharp({ create: { width: 1200, height: 1800, channels: 3, background: "#00ff00" } })
    .composite([{ input: await sharp(inner).png().toBuffer(), left: 10, top: 10 }])
    .withDensity(300)
    .jpeg({ quality: 100, chromaSubsampling: "4:4:4" })
    .toBuffer();
  const data = await sharp(jpeg).raw().toBuffer();
  raster = encodeRaster([{ width: 1200, height: 1800, space: "srgb_8", ppi: 300, data }]);
});
afterEach(async () => {
  for (const printer of open.splice(0)) await printer.stop();
});

async function printer(id: string, pace = 5): Promise<SimulatedPrinter> {
  const model = MODELS.find((one) => one.id === id)!;
  const started = await new SimulatedPrinter(model, { folder: join(folder(), "prints"), pace }).start();
  open.push(started);
  return started;
}

/** The frame in a format that a model takes, JPEG where it can be. */
const documentOf = ({ formats }: { formats: string[] }) =>
  formats.includes("image/jpeg")
    ? { data: jpeg, format: "image/jpeg" }
    : { data: raster, format: "image/pwg-raster" };

async function printed(
  own: SimulatedPrinter,
  { data, format } = documentOf(own.model),
  more: Attributes = {},
): Promise<Sharp[]> {
  const client = new PrinterClient(own.address);
  const asked = { media: [keyword("na_index-4x6_4x6in")], ...more };
  const { id } = await client.print(data, format, "One", asked);
  await expect.poll(async () => (await client.job(id)).state, { timeout: 20_000 }).toBe("done");
  return own.prints.map((path) => sharp(path));
}

/** Four by six inches with a square inch of red, by hand (ISO 32000-1, 7.5). */
const content = "1 0 0 rg 72 72 72 72 re f";
const pdf = Buffer.from(`%PDF-1.4
1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 288 432]/Contents 4 0 R/Resources<<>>>>endobj
4 0 obj<</Length ${content.length}>>stream
${content}
endstream endobj
trailer<</Root 1 0 R/Size 5>>
%%EOF`);

const pixel = async (picture: Sharp, x: number, y: number) =>
  [...(await picture.clone().extract({ left: x, top: y, width: 1, height: 1 }).raw().toBuffer())].map((v) =>
    Math.round(v / 64),
  );
const WHITE = [4, 4, 4];
const GREEN = [0, 4, 0];
const BROWN = [3, 1, 1];

describe("the reference tool, ipptool of CUPS", () => {
  it.each(MODELS.map(({ id }) => id))(
    "passes nothing but right answers of the model “%s”, IPP 1.1 and 2.0",
    async (id) => {
      const own = await printer(id);
      const at = folder();
      const takesJpeg = own.model.formats.includes("image/jpeg");
      for (const suite of ["ipp-1.1.test", "ipp-2.0.test"]) cpSync(join(SUITES, suite), join(at, suite));
      // Debian leaves the sample documents out; any of their kind will do.
      for (const name of [
        "color.jpg",
        "rgb.jpg",
        "page.pwg",
        "gray.jpg",
        "document-a4.pdf",
        "document-letter.pdf",
        "document-a4.ps",
        "document-letter.ps",
      ])
        writeFileSync(join(at, name), documentOf(own.model).data);
      for (const suite of ["ipp-1.1.test", "ipp-2.0.test"]) {
        const args = ["-tI", "-f", join(at, takesJpeg ? "rgb.jpg" : "page.pwg"), own.address, suite];
        const { stdout } = await run("ipptool", args, { cwd: at, maxBuffer: 1e8 }).catch(
          (error: { stdout: string }) => error,
        );
        expect(stdout).not.toContain("FAIL");
        // The others are skipped by the suite itself: operations and formats that the model does not name.
        expect(stdout.match(/\[PASS\]/g)!.length).toBeGreaterThanOrEqual(28);
        const last = suite === "ipp-1.1.test" ? / 0 failed/ : /PWG 5100\.12 section 6\.2.*\[PASS\]/;
        expect(stdout).toMatch(last);
      }
    },
  );
});

describe("what comes out", () => {
  it("of the inkjet has bare edges of 3, 3.4, 12.5 and 3.4 mm", async () => {
    const [sheet] = await printed(await printer("inkjet"));
    // 360 ppi: 43, 48, 177 and 48 px of 1440 × 2160.
    expect(await sheet!.metadata()).toMatchObject({ width: 1440, height: 2160 });
    expect([await pixel(sheet!, 700, 41), await pixel(sheet!, 700, 45)]).toEqual([WHITE, BROWN]);
    expect([await pixel(sheet!, 700, 2160 - 175), await pixel(sheet!, 700, 2160 - 180)]).toEqual([
      WHITE,
      BROWN,
    ]);
    expect([await pixel(sheet!, 46, 1000), await pixel(sheet!, 50, 1000)]).toEqual([WHITE, BROWN]);
  });

  it("of the borderless one is enlarged by 2 %: the outer hundredth of each side is lost", async () => {
    const [sheet] = await printed(await printer("borderless"));
    // The frame was 10 of 1200 px; half of 1 − 1/1.02 of the width is 11.8 px: nothing of it is left.
    expect(await pixel(sheet!, 0, 1000)).toEqual(BROWN);
    expect(await pixel(sheet!, 700, 0)).toEqual(BROWN);
  });

  it("is as large as it means to be when nothing is to be scaled: what reaches past the paper is lost", async () => {
    const unscaled = { "print-scaling": [keyword("none")] };
    // 1250 × 1900 px at 300 ppi on 4 × 6 in at 360: 1500 × 2280, 30 lost at each side and 60 above and below.
    const large = await sharp(jpeg).resize(1250, 1900, { fit: "fill" }).withDensity(300).jpeg().toBuffer();
    const document = { data: large, format: "image/jpeg" };
    const [sheet] = await printed(await printer("inkjet"), document, unscaled);
    // Its frame of 10 px was 12 of them wide: gone with the edges; the middle is where it was.
    expect(await sheet!.metadata()).toMatchObject({ width: 1440, height: 2160 });
    expect([await pixel(sheet!, 50, 45), await pixel(sheet!, 720, 1080)]).toEqual([BROWN, BROWN]);
    const small = await sharp(jpeg).resize(600, 900).withDensity(300).jpeg({ quality: 100 }).toBuffer();
    const [half] = await printed(await printer("inkjet"), { data: small, format: "image/jpeg" }, unscaled);
    // Two by three inches in the middle of four by six: 720 × 1080 px from 360, 540.
    expect([await pixel(half!, 358, 1080), await pixel(half!, 362, 1080)]).toEqual([WHITE, GREEN]);
    expect([await pixel(half!, 720, 538), await pixel(half!, 720, 542)]).toEqual([WHITE, GREEN]);
  });

  it("of a PDF is a picture of each page, of raster its pixels; in black alone where that is asked", async () => {
    const own = await printer("inkjet");
    const [sheet] = await printed(own, { data: pdf, format: "application/pdf" });
    // A page of 4 × 6 in with a square inch of red an inch from the left and from the foot.
    expect(await sheet!.metadata()).toMatchObject({ width: 1440, height: 2160 });
    const red = [4, 0, 0];
    expect([await pixel(sheet!, 365, 1600), await pixel(sheet!, 715, 1600)]).toEqual([red, red]);
    expect([await pixel(sheet!, 355, 1600), await pixel(sheet!, 725, 1600)]).toEqual([WHITE, WHITE]);
    expect([await pixel(sheet!, 500, 1445), await pixel(sheet!, 500, 1435)]).toEqual([red, WHITE]);
    const grey = await printed(
      await printer("inkjet"),
      { data: raster, format: "image/pwg-raster" },
      {
        "print-color-mode": [keyword("monochrome")],
      },
    );
    // Brown #aa5522 is 99 by brightness of its numbers and 109 by its light (both BT.709).
    expect(await pixel(grey[0]!, 720, 1000)).toEqual([2, 2, 2]);
  });

  it("of the event printer is cut in two at an odd ppi", async () => {
    const pieces = await printed(await printer("event"));
    // 4 in at 302 ppi are 1208 px, so 604 each; 6 in are 1812.
    expect(await Promise.all(pieces.map(async (one) => (await one.metadata()).width))).toEqual([604, 604]);
    expect((await pieces[0]!.metadata()).height).toBe(1812);
    expect([await pixel(pieces[0]!, 3, 900), await pixel(pieces[1]!, 600, 900)]).toEqual([GREEN, GREEN]);
  });
});

it("has a page that shows its prints, and where the tray is emptied and filled", async () => {
  const own = await printer("lab");
  await printed(own);
  const page = own.address.replace("ipp:", "http:").replace("/ipp/print", "");
  expect(await (await fetch(page)).text()).toMatch(
    /Harbour lab, simulated[\s\S]*has paper[\s\S]*0001-1\.png/,
  );
  const picture = Buffer.from(await (await fetch(`${page}/prints/0001-1.png`)).arrayBuffer());
  expect(picture.equals(readFileSync(own.prints[0]!))).toBe(true);
  expect(await (await fetch(`${page}/paper?sheets=0`, { method: "POST" })).text()).toContain("out of paper");
  expect(own.hasPaper).toBe(false);
});

describe("a client and its printer", () => {
  it("hears what the printer can do", async () => {
    const can = await new PrinterClient((await printer("inkjet")).address).can();
    expect(can).toMatchObject({
      name: "Shore inkjet",
      colour: true,
      copies: 99,
      resolutions: [360],
      reasons: [],
    });
    expect(can.formats).toContain("application/pdf");
    expect(can).toMatchObject({
      qualities: ["draft", "normal", "high"],
      grey: true,
      raster: ["srgb_8", "sgray_8"],
    });
    const a4 = can.media.find(({ name }) => name === "iso_a4_210x297mm");
    expect(a4).toMatchObject({ width: 21_000, height: 29_700, edges: [300, 340, 1250, 340] });
    expect(a4!.types).toEqual(["stationery", "photographic-glossy", "photographic-matte"]);
    const event = await new PrinterClient((await printer("event")).address).can();
    expect(event).toMatchObject({
      qualities: ["normal"],
      grey: false,
      formats: ["image/pwg-raster", expect.anything()],
    });
  });

  it("makes each copy once, also when the paper ran out between two", async () => {
    const own = await printer("lab");
    own.putPaper(2);
    const client = new PrinterClient(own.address);
    const { id } = await client.print(jpeg, "image/jpeg", "Three", { copies: [{ as: "integer", value: 3 }] });
    await expect.poll(async () => (await client.job(id)).state).toBe("stopped");
    own.putPaper(9);
    await expect.poll(async () => (await client.job(id)).state).toBe("done");
    expect(own.prints.map((path) => basename(path))).toEqual(["0001-1.png", "0001-2.png", "0001-3.png"]);
  });

  it("waits while there is no paper, and goes on by itself", async () => {
    const own = await printer("lab");
    own.putPaper(1);
    const client = new PrinterClient(own.address);
    const first = await client.print(jpeg, "image/jpeg", "First");
    const second = await client.print(jpeg, "image/jpeg", "Second");
    await expect.poll(async () => (await client.job(first.id)).state).toBe("done");
    expect((await client.can()).reasons).toEqual(["media-empty"]);
    expect((await client.job(second.id)).state).toBe("waiting");
    own.putPaper(5);
    await expect.poll(async () => (await client.job(second.id)).state).toBe("done");
    expect(own.prints).toHaveLength(2);
  });

  it("finds a job again by its name, cancels one, and is told what is refused", async () => {
    const own = await printer("lab", 200);
    const client = new PrinterClient(own.address);
    const { id } = await client.print(jpeg, "image/jpeg", "Badges · 7", {
      copies: [{ as: "integer", value: 20 }],
    });
    expect((await client.jobNamed("Badges · 7"))?.id).toBe(id);
    expect(await client.jobNamed("Badges · 8")).toBeNull();
    await client.cancel(id);
    expect((await client.job(id)).state).toBe("cancelled");
    expect((await client.jobNamed("Badges · 7"))?.state).toBe("cancelled");
    await expect(client.cancel(id)).rejects.toThrow(/cannot do that with this job any more/);
    await expect(client.job(99)).rejects.toThrow(/does not know this job/);
    await expect(client.print(jpeg, "image/tiff", "No")).rejects.toThrow(/does not take files of this kind/);
    await own.stop();
    await expect(client.can()).rejects.toThrow(PrinterFault);
  });

  it("speaks to a printer that is not ours: ippeveprinter of CUPS", async () => {
    const at = folder();
    const spool = join(at, "spool");
    mkdirSync(spool);
    const done = join(at, "done.sh");
    writeFileSync(done, "#!/bin/sh\nexit 0\n", { mode: 0o755 });
    const bus = spawn(
      "dbus-daemon",
      ["--session", "--nofork", "--nopidfile", `--address=unix:path=${at}/bus`],
      {
        stdio: "ignore",
      },
    );
    const port = 20_000 + Math.floor(process.pid % 20_000);
    await expect.poll(() => existsSync(`${at}/bus`)).toBe(true);
    const args = [
      "-r",
      "off",
      "-k",
      "-s",
      "10,10",
      "-c",
      done,
      "-d",
      spool,
      "-n",
      "localhost",
      "-p",
      String(port),
    ];
    const eve = spawn("/usr/sbin/ippeveprinter", [...args, "-f", "image/jpeg,application/pdf", "Other"], {
      stdio: "ignore",
      env: { ...process.env, DBUS_SYSTEM_BUS_ADDRESS: `unix:path=${at}/bus` },
    });
    try {
      const client = new PrinterClient(`ipp://localhost:${port}/ipp/print`);
      await expect
        .poll(
          () =>
            client.can().then(
              () => true,
              () => false,
            ),
          { timeout: 20_000 },
        )
        .toBe(true);
      const can = await client.can();
      expect(can.formats).toContain("image/jpeg");
      expect(can.media.some(({ width, height }) => width === 21_000 && height === 29_700)).toBe(true);
      const { id } = await client.print(jpeg, "image/jpeg", "From Wide Quilt");
      await expect.poll(async () => (await client.job(id)).state, { timeout: 20_000 }).toBe("done");
      expect((await client.jobNamed("From Wide Quilt"))?.id).toBe(id);
      const { stdout } = await run("find", [spool, "-name", "*.jpg"]);
      expect(readFileSync(stdout.trim().split("\n")[0]!).equals(jpeg)).toBe(true);
    } finally {
      eve.kill();
      bus.kill();
    }
  });
});

describe("messages", () => {
  it("that break off or are none are refused", async () => {
    const own = await printer("lab");
    const url = own.address.replace("ipp:", "http:");
    for (const body of [
      Buffer.alloc(0),
      Buffer.from("nonsense"),
      Buffer.from([2, 0, 0, 2, 0, 0, 0, 1, 1, 0x21, 0xff, 0xff]),
    ]) {
      const response = await fetch(url, {
        method: "POST",
        body,
        headers: { "Content-Type": "application/ipp" },
      });
      const { message } = decode(Buffer.from(await response.arrayBuffer()));
      expect(message.code).toBe(0x0400);
    }
  });
});
