/** Programs from Debian that the tests drive or measure with. */
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";

const TOOLS = [
  ["/usr/bin/chromium", "chromium"],
  ["/usr/bin/pdfinfo", "poppler-utils"],
  ["/usr/bin/exiftool", "libimage-exiftool-perl"],
  ["/usr/bin/convert", "imagemagick"],
  ["/usr/bin/qpdf", "qpdf"],
  ["/usr/bin/heif-enc", "libheif-examples"],
  ["/usr/bin/transicc", "liblcms2-utils"],
  ["/usr/bin/ipptool", "cups-ipp-utils"],
  ["/usr/bin/dbus-daemon", "dbus"],
  ["/usr/bin/b3sum", "b3sum"],
  ["/usr/bin/python3", "python3"],
  ["/usr/lib/python3/dist-packages/dateutil", "python3-dateutil"],
  ["/usr/lib/python3/dist-packages/icalendar", "python3-icalendar"],
];

/** Installs the missing ones with apt; where that cannot be done, says in a sentence what to install. */
export async function ensureTools() {
  const missing = () => TOOLS.filter(([path]) => !existsSync(path)).map(([, name]) => name);
  let wanted = missing();
  if (wanted.length === 0) return;
  const root = process.getuid?.() === 0;
  if (root && existsSync("/usr/bin/apt-get")) {
    console.log(`Installing ${wanted.join(", ")} from Debian's packages …`);
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    // Another apt may hold the lock for a while, so this is tried again.
    for (let attempt = 0; attempt < 6 && wanted.length > 0; attempt++) {
      if (attempt > 0) await wait(10_000);
      spawnSync("apt-get", ["update", "-qq"], { stdio: "ignore", env });
      spawnSync("apt-get", ["install", "-y", "-qq", "--no-install-recommends", ...wanted], {
        stdio: "ignore",
        env,
      });
      wanted = missing();
    }
  }
  if (wanted.length > 0) {
    console.error(
      `The tests need ${wanted.join(", ")} from Debian's packages. Install them with:\n  sudo apt-get install ${wanted.join(" ")}`,
    );
    process.exit(1);
  }
}
