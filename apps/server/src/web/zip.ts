import { Readable } from "node:stream";
import type { Response } from "express";
import { ZipFile } from "yazl";
import { attachment } from "./attachment.ts";

/** Something that goes into a ZIP: a file that is there, or bytes that are made when it is their turn. */
export type Zipped = { name: string } & ({ path: string } | { make(): Promise<Uint8Array> });

/**
 * Answers with files as one ZIP, stored as they are: pictures and PDFs do not get smaller. A file that goes away in the middle
 * ends the download; its beginning is sent already.
 */
export function sendZip(response: Response, name: string, files: Iterable<Zipped>): void {
  response.setHeader("Content-Disposition", attachment(name));
  response.type("application/zip");
  const zip = new ZipFile();
  const breakOff = () => response.destroy();
  zip.on("error", breakOff);
  zip.outputStream.on("error", breakOff);
  zip.outputStream.pipe(response);
  for (const file of files) {
    if ("path" in file) zip.addFile(file.path, file.name, { compress: false });
    else
      zip.addReadStreamLazy(file.name, { compress: false }, (take) => {
        file.make().then(
          (bytes) => take(null, Readable.from([Buffer.from(bytes)])),
          (error: unknown) => take(error, undefined as never),
        );
      });
  }
  zip.end();
}
