import { closeSync, fstatSync, openSync, read } from "node:fs";
import { promisify } from "node:util";

const reading = promisify(read);

/**
 * Reads a file in one go. `readFile` takes it in pieces of half a megabyte, and comes back to this thread for each of them, to
 * open it and to close it: where that paints meanwhile, a photo would be read more slowly than it is painted.
 */
export async function readWhole(path: string): Promise<Buffer> {
  const file = openSync(path, "r");
  try {
    const bytes = Buffer.allocUnsafeSlow(fstatSync(file).size);
    let done = 0;
    while (done < bytes.length) {
      const { bytesRead } = await reading(file, bytes, done, bytes.length - done, done);
      if (bytesRead === 0) break;
      done += bytesRead;
    }
    return bytes.subarray(0, done);
  } finally {
    closeSync(file);
  }
}
