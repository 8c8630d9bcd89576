import type { Request, Response } from "express";
import multer from "multer";
import { Problem } from "../safety/problem.ts";

/** Takes one file of a form in, whole in memory; what is wrong with an upload becomes a sentence. */
export function oneFile(field: string, most: number, what: string) {
  const receive = multer({ storage: multer.memoryStorage(), limits: { files: 1, fileSize: most } }).single(
    field,
  );
  return async (request: Request, response: Response): Promise<Express.Multer.File> => {
    await new Promise<void>((resolve, reject) =>
      receive(request, response, (error: unknown) =>
        error ? reject(notTaken(error, most, what)) : resolve(),
      ),
    );
    if (!request.file) {
      throw new Problem(400, "bad-upload", "Upload not understood", "No file came with this request.");
    }
    return request.file;
  };
}

function notTaken(error: unknown, most: number, what: string): Problem {
  const why = error instanceof Error ? error.message : String(error);
  const isTooLarge = error instanceof multer.MulterError && error.code === "LIMIT_FILE_SIZE";
  // Forms are read by a library whose errors are all of what was sent.
  return isTooLarge
    ? new Problem(
        422,
        `bad-${what}`,
        `Not a ${what} that can be used`,
        `The file is larger than ${most / 1024 ** 2} MB, the most that is read as a ${what}. Save it smaller.`,
      )
    : new Problem(
        400,
        "bad-upload",
        "Upload not understood",
        `The upload was not understood: ${why.slice(0, 200)}.`,
      );
}
